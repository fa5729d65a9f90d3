package wistel.server.print;

import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import wistel.core.docket.DocketSpec;

/**
 * One trip through the printer, with everything that made it.
 *
 * @param state    waiting, rendering, sending, printing, done, failed or cancelled
 * @param fileHash the print file, once made
 */
public record Attempt(UUID id, UUID docketId, int docketNumber, int number, UUID printerId, String printerName, UUID masterId, String masterHash,
                      String profileHash, String paper, DocketSpec decisions, String readback, String state, String message, int percent, boolean cancelAsked,
                      Optional<String> fileHash, Optional<Integer> jobId, boolean jobSent, Optional<String> scanHash, String verdict, String remark,
                      Instant created, Optional<Instant> printBegan, Optional<Instant> finished) {

    public boolean over() {
        return state.equals("done") || state.equals("failed") || state.equals("cancelled");
    }

    /** How it stands, for the bench. */
    public String words() {
        return switch (state) {
            case "waiting" -> message.isEmpty() ? "waiting for its turn" : message;
            case "rendering" -> "making the print file, " + percent + " %";
            case "sending" -> message.isEmpty() ? "going to the printer" : message;
            case "printing" -> message.isEmpty() ? "printing now, " + percent + " %" : message;
            default -> state;
        };
    }
}
