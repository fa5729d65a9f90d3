package wistel.core.docket;

import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import wistel.core.icc.profile.Intent;
import wistel.core.length.Margins;
import wistel.core.paper.PairingVersion;
import wistel.core.paper.Stock;
import wistel.core.printer.MediaRow;
import wistel.core.printer.PrinterDescription;
import wistel.core.printer.PrinterState;
import wistel.core.sheet.Layout;
import wistel.core.sheet.SheetPlan;

/**
 * What a docket is judged against.
 *
 * @param pictures     by rendition
 * @param printer      empty when the pairing's printer has never been reached
 * @param state        of the pairing's printer
 * @param blackAlways  intents through which the pairing's profile compensates black whether or not it is asked for
 * @param proofSeen    the proof as it stands now was looked at
 * @param secondsPerM2 printing alone, from past pages on this pairing; 0 when there are none
 */
public record PreflightFacts(Map<String, Picture> pictures, Optional<PairingVersion> pairing, Optional<PrinterDescription> printer, PrinterState state,
                             Set<Intent> blackAlways, boolean proofSeen, double secondsPerM2) {
    /**
     * @param size           upright
     * @param hasProfile     the file brought a usable profile
     * @param profileProblem why an embedded one could not be used; empty when there was none or it is fine
     * @param sourceName     the profile's name, or what would be taken
     */
    public record Picture(SheetPlan.PixelSize size, int channels, boolean hasProfile, String profileProblem, String sourceName) {
    }

    public PreflightFacts {
        pictures = Map.copyOf(pictures);
        blackAlways = Set.copyOf(blackAlways);
    }

    /** Where the work comes to lie. */
    public Layout layout(DocketSpec d) {
        return d.plan().lay(new SheetPlan.Ground(d.stock(), margins(d), pictures.entrySet().stream().collect(Collectors.toMap(Map.Entry::getKey, e -> e.getValue().size()))));
    }

    /** Edges that stay white, as the sheet feeds; none where the printer doesn't say. */
    public Margins margins(DocketSpec d) {
        return media(d).map(MediaRow::margins).orElse(Margins.NONE);
    }

    /** The printer's entry for this sheet, type and feed. */
    Optional<MediaRow> media(DocketSpec d) {
        Stock.Sheet sheet = (Stock.Sheet) d.stock();
        return printer.flatMap(p -> p.media(d.settings().mediaType(), d.settings().feed(), sheet.widthMm(), sheet.lengthMm()));
    }
}
