package wistel.server;

import java.io.IOException;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;

/** A class of tests on one server and one print room of its own. What it lays out there before its tests comes after these are opened. */
abstract class InTestRoom {
    TestRoom test;
    Api api;

    @BeforeClass
    void openRoom() throws IOException {
        test = new TestRoom(0);
        api = new Api(() -> test.port);
    }

    @AfterClass(alwaysRun = true)
    void closeRoom() {
        if (test != null) {
            test.close();
        }
    }
}
