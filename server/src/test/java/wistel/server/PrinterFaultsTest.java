package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import wistel.server.printer.PrinterRepository;

/** Printers that are slow, busy or stumble, and scans that can't be had: the sheet is out, and the record is true. One room serves all of it. */
public class PrinterFaultsTest extends SharedPrintingRoom {
    /** A printer that takes its data as slowly as it prints is waited for: no bound on the whole, and no second job. */
    @Test
    public void aPrinterThatTakesItsDataSlowlyIsWaitedFor() throws Exception {
        test.room.printer().intake(0);
        String id = released(large(600));
        Waiting.until(() -> api.attempt(id), a -> a.path("message").asString().contains("takes its data slowly"), 180);
        assertThat(state(api.attempt(id))).isEqualTo("sending");
        test.room.printer().intake(Integer.MAX_VALUE);
        assertThat(state(over(id, 60))).isEqualTo("done");
        assertThat(jobs(id)).isEqualTo(1);
    }

    /** A scan that can't be had is said; the sheet is out and the attempt closes. */
    @Test
    public void aScanThatCantBeHadDoesNotHoldTheAttempt() throws Exception {
        test.room.printer().pace(250);
        JsonNode d = small(530);
        String id = released(d);
        Waiting.until(() -> api.attempt(id), a -> state(a).equals("printing"), 30);
        test.room.hideScans(true);
        test.room.printer().pace(0);
        JsonNode a = over(id, 30);
        assertThat(state(a)).isEqualTo("done");
        assertThat(Api.page(a).path("message").asString()).contains("scan could not be had");
        assertThat(release(d).status()).isEqualTo(202);
    }

    /** Whatever a printer says that its scan's address is: the sheet is out, and that is what the record says. */
    @Test
    public void aScanAtNoAddressAtAllIsASentenceBesideDone() throws Exception {
        String first = released(small(535));
        over(first, 30);
        for (String address : List.of("file:///etc/passwd", "scan/1.tif", "http:///1.tif", "urn:scan:1", "http://localhost:1/scan.tif",
            "mailto:x@y.example")) {
            test.room.scanAddress(address);
            JsonNode a = over(api.post("/api/attempts/" + first + "/reprints", "", 0).body().path("id").asString(), 30);
            assertThat(state(a)).as(address + ": " + a.path("message").asString()).isEqualTo("done");
            assertThat(Api.page(a).path("message").asString()).as(address).startsWith("Printed. Its scan could not be had: ");
            assertThat(Api.page(a).path("scanHash").isNull()).isTrue();
        }
    }

    /** A fault of the printer's own passes: it is waited for as for a busy one. */
    @Test
    public void aPrinterThatStumblesForSomeSecondsIsAskedAgain() throws Exception {
        test.room.stumble(true);
        String id = released(small(545));
        JsonNode waits = Waiting.until(() -> api.attempt(id), a -> a.path("message").asString().contains("HTTP 500"), 30);
        assertThat(state(waits)).isEqualTo("sending");
        test.room.stumble(false);
        assertThat(state(over(id, 30))).isEqualTo("done");
        assertThat(sheets(id)).isEqualTo(1);
    }

    /** A printer that is busy is asked again; it is no refusal. */
    @Test
    public void aBusyPrinterIsAskedAgain() throws Exception {
        test.room.busy(true);
        String id = released(small(540));
        JsonNode waits = Waiting.until(() -> api.attempt(id), a -> a.path("message").asString().contains("busy"), 30);
        assertThat(state(waits)).isEqualTo("sending");
        test.room.busy(false);
        assertThat(state(over(id, 30))).isEqualTo("done");
        assertThat(sheets(id)).isEqualTo(1);
    }

    /** A printer known as 127.0.0.1 that offers its scan under another name of this machine. */
    @Test
    public void aScanUnderAnotherNameOfTheSameHostIsFetched() throws Exception {
        UUID printer = test.bean(PrinterRepository.class).all().get(0).id();
        test.bean(PrinterRepository.class).moved(printer, "ipp://127.0.0.1:" + test.room.port() + "/ipp/print", Optional.empty());
        JsonNode a = over(released(small(520)), 30);
        assertThat(state(a)).isEqualTo("done");
        assertThat(Api.page(a).path("scanHash").asString()).hasSize(64);
    }
}
