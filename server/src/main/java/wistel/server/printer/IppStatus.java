package wistel.server.printer;

import com.hp.jipp.encoding.IppInputStream;
import com.hp.jipp.encoding.IppPacket;
import com.hp.jipp.model.Status;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.net.http.HttpResponse;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import wistel.core.fault.PrinterException;

/** What a printer answered, told apart by its status (RFC 8011, 5.1 and appendix B). */
final class IppStatus {
    private static final Set<Integer> LOST = Set.of(Status.Code.clientErrorNotFound, Status.Code.clientErrorTimeout,
        Status.Code.clientErrorGone);
    /** Refusals that pass by themselves (RFC 8011, 5.1.8, and PWG 5100.13). */
    private static final Map<Integer, String> WAIT = Map.of(Status.Code.serverErrorServiceUnavailable, "is not available just now",
        Status.Code.serverErrorTemporaryError, "has a passing error", Status.Code.serverErrorNotAcceptingJobs, "takes no jobs just now",
        Status.Code.serverErrorBusy, "is busy", Status.Code.serverErrorMultipleDocumentJobsNotSupported, "takes only one job at a time");

    private IppStatus() {
    }

    /** @throws PrinterException when it refused, waits, or can't be understood */
    static IppPacket understood(String uri, HttpResponse<byte[]> answer) {
        if (answer.statusCode() == 503) {
            throw new PrinterException(PrinterException.Reason.BUSY, "The printer is busy.", "Wistel asks again by itself.");
        }
        if (answer.statusCode() >= 500) {
            throw new PrinterException(PrinterException.Reason.BUSY,
                "The printer has a fault of its own just now (HTTP " + answer.statusCode() + ").", "Wistel asks again by itself.");
        }
        if (answer.statusCode() != 200) {
            throw new PrinterException(PrinterException.Reason.REFUSED,
                "The printer's address answered with HTTP " + answer.statusCode() + ".", "Check its IPP address.");
        }
        IppPacket packet;
        try {
            packet = new IppInputStream(new ByteArrayInputStream(answer.body())).readPacket();
        } catch (IOException | RuntimeException | StackOverflowError e) {
            throw new PrinterException(PrinterException.Reason.UNCLEAR, "What answers at " + uri + " is not understood.",
                "Check that this is a printer's IPP address.");
        }
        int code = packet.getCode();
        if (LOST.contains(code)) {
            throw new PrinterException(PrinterException.Reason.LOST_JOB, "The printer doesn't know this job any more.",
                "Look whether a sheet came out.");
        }
        if (WAIT.containsKey(code)) {
            throw new PrinterException(PrinterException.Reason.BUSY, "The printer " + WAIT.get(code) + ".", "Wistel asks again by itself.");
        }
        if (code >= Status.Code.clientErrorBadRequest) {
            throw new PrinterException(PrinterException.Reason.REFUSED, "The printer refused: " + refusal(code) + ".",
                "Check the docket's machine settings against the printer.");
        }
        return packet;
    }

    private static String refusal(int code) {
        return switch (code) {
            case Status.Code.clientErrorBadRequest -> "it didn't understand the request";
            case Status.Code.clientErrorForbidden, Status.Code.clientErrorNotAuthenticated,
                Status.Code.clientErrorNotAuthorized -> "it wants to know who asks";
            case Status.Code.clientErrorNotPossible -> "not possible now";
            case Status.Code.clientErrorRequestEntityTooLarge -> "the document is too large for it";
            case Status.Code.clientErrorDocumentFormatNotSupported -> "it doesn't take this file format";
            case Status.Code.clientErrorAttributesOrValuesNotSupported,
                Status.Code.clientErrorConflictingAttributes -> "it doesn't offer these settings together";
            default -> String.format(Locale.ROOT, "status %04x", code);
        };
    }
}
