package wistel.server;

import java.io.IOException;
import org.testng.annotations.AfterClass;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeClass;

/** One room for all tests of a class; after each, its printer and scanner are as they were. */
abstract class SharedPrintingRoom extends PrintingRoom {
    @BeforeClass
    void open() throws IOException {
        openRoom();
    }

    @AfterClass(alwaysRun = true)
    void close() {
        test.close();
    }

    @AfterMethod(alwaysRun = true)
    void again() {
        calm();
    }
}
