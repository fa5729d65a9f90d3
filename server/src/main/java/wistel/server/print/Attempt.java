package wistel.server.print;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonProperty;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import wistel.core.docket.PrintOrder;
import wistel.core.fault.NotFound;

/**
 * One trip of an order through the printer, page by page.
 *
 * @param masterHash of its first picture, as it was printed
 * @param summary   sheet and size, for lists
 * @param held      its files are made, and wait for a person's word to be sent
 * @param agreed    how far pages that were made anew may be from the print of then, mean CIEDE2000; empty when nobody was asked yet
 * @param labFile   a file for somebody else's printer, written and not printed
 * @param pieces    that lie on it, where there are several
 * @param chosen    what its test strip's docket took over from it, in words; blank of other prints
 * @param fileName  of its first picture, as it was printed; blank of prints that don't tell it
 * @param orderHash two attempts of the same hash are the same print
 */
public record Attempt(UUID id, UUID docketId, int docketNumber, int number, UUID printerId, String printerName, String masterHash,
    String orderHash, String title, String paper,
    String summary, String readback, AttemptState state, String message, int percent, boolean cancelAsked, List<AttemptPage> pages,
    String verdict,
    String remark, Instant created, Optional<Instant> finished, boolean labFile, boolean held, @JsonIgnore Optional<Double> agreed,
    List<Piece> pieces, String chosen, String fileName) {
    /**
     * Something that lies on a print of several pieces.
     *
     * @param docketNumber of the docket that it came from; empty where it was brought as a file
     */
    public record Piece(String itemId, String title, String fileName, Optional<Integer> docketNumber) {
    }

    public boolean over() {
        return state.over();
    }

    /** @throws NotFound when it has none of this number */
    public AttemptPage page(int number) {
        return pages.stream().filter(p -> p.page() == number).findFirst()
            .orElseThrow(() -> new NotFound("This attempt has no page " + number + ".", "Choose one of its pages."));
    }

    /** The page that is worked on, or comes next. */
    Optional<AttemptPage> openPage() {
        return pages.stream().filter(p -> !p.state().over()).findFirst();
    }

    /** A page failed or was cancelled, and none of those left was asked for again by itself. */
    boolean spoilt() {
        return pages.stream().anyMatch(p -> p.state() == AttemptState.FAILED || p.state() == AttemptState.CANCELLED)
            && pages.stream().noneMatch(p -> !p.state().over() && p.jobTries() > 0);
    }

    /** A page whose job the printer knows: it is seen to its end before anything else. */
    Optional<AttemptPage> pageOnItsWay() {
        return pages.stream().filter(p -> !p.state().over() && p.jobId().isPresent()).findFirst();
    }

    /** What its pages would be printed from once more; the furthest of them from the print of then. */
    @JsonProperty
    public Reprint reprint() {
        if (pages.stream().allMatch(AttemptPage::kept)) {
            return Reprint.KEPT;
        }
        // what was never made differs from nothing
        boolean same = pages.stream()
            .allMatch(p -> p.kept() || p.fileHash().isEmpty() || p.engine().filter(PrintOrder::madeTheSame).isPresent());
        return same ? Reprint.SAME : Reprint.ANEW;
    }

    /** How it stands, for the bench. */
    public String words() {
        String page = pages.size() < 2 ? "" : openPage().map(p -> "page " + p.page() + " of " + pages.size() + ": ").orElse("");
        return page + switch (state) {
            case WAITING -> message.isEmpty() ? "waiting for its turn" : message;
            case RENDERING -> (labFile ? "writing the file, " : "making the print file, ") + percent + " %";
            case SENDING -> message.isEmpty() ? "going to the printer" : message;
            case PRINTING -> message.isEmpty() ? "printing now, " + percent + " %" : message;
            case DONE -> labFile ? "written" : "printed";
            case FAILED -> "failed";
            case CANCELLED -> "cancelled";
        };
    }
}
