package wistel.server.demo;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import wistel.core.icc.making.ProfileChart;
import wistel.core.icc.profile.Intent;
import wistel.core.paper.FeedScale;
import wistel.core.paper.PaperBody;
import wistel.core.pictures.SideFill;
import wistel.core.pictures.SideMoves;
import wistel.core.rendition.Treatment;
import wistel.core.sheet.Frame;
import wistel.core.sheet.Seams;
import wistel.server.docket.GangService;
import wistel.server.tone.WedgePrinting;
import wistel.server.wrap.WrapService;

/** What the demo's scenario file says: what is laid out, in the words of a person who does it by hand. What isn't said is left as it is. */
final class DemoPlan {
    private DemoPlan() {
    }

    /** @param feedScale where somebody has measured its feed */
    record PairingPlan(String printer, String paper, String surface, PaperBody body, Map<String, String> settings, String profile,
        Intent intent, Optional<FeedScale> feedScale) {
    }

    record Judged(String verdict, String remark, Boolean cancelled) {
    }

    /**
     * @param compensation name under which the moves that are suggested for it are kept
     * @param contact      pictures of a contact sheet, which is laid out with nothing but its paper
     */
    record DocketPlan(String picture, String title, String printer, String paper, Double rollInches, String sheet, Boolean across,
        Double widthMm, Double heightMm, Frame.Fit fit, Boolean heavierFoot,
        Intent intent, Boolean looked, Boolean profileTaken, String mediaType, Boolean byDriver, Treatment treatment, String compensation,
        List<Judged> prints, WrapPlan wrap, List<PiecePlan> together, List<GangService.SizeWanted> sizes,
        List<String> contact, TilesPlan tiles) {
    }

    /** Another picture laid beside it, of this width as it stands upright. */
    record PiecePlan(String picture, String width, Integer copies) {
    }

    /** Sheets that it goes over, as large as {@code widthMm} says of the docket. */
    record TilesPlan(String sheet, boolean across, Seams.Choice joints) {
    }

    /** A body as a person would type it, and what fills its sides. */
    record WrapPlan(WrapService.WrapRequest body, SideFill fill, SideMoves moves) {
    }

    /**
     * A wedge in one mode of a pairing.
     *
     * @param reading   a file of readings of a scale that was printed elsewhere, {@code monthsAgo}; else the wedge is printed and read here
     * @param kept      its curve is put in force
     * @param proved    it is printed once more through its curve
     */
    record WedgePlan(String printer, String paper, WedgePrinting.Way way, Map<String, String> settings, Intent intent, Boolean blackPoint,
        String reading, Integer monthsAgo, Boolean kept, Boolean proved) {
        String key() {
            return "wedge:" + printer + ":" + paper + ":" + way + ":" + settings + ":" + intent + ":" + blackPoint + ":" + reading;
        }
    }

    /** @param libraries of the print room, by their makers' keys */
    record PapersPlan(List<String> libraries, List<FetchedPlan> fetched, List<MadePlan> made, List<ChecksPlan> checks) {
    }

    record FetchedPlan(String library, String paper, String printer) {
    }

    /** A paper whose profile is made here. */
    record MadePlan(String printer, String paper, String surface, PaperBody body, Map<String, String> settings, Intent intent,
        ProfileChart.Size size) {
    }

    record ChecksPlan(String printer, String paper, int patches, List<ReadingPlan> readings) {
    }

    record ReadingPlan(String file, int monthsAgo) {
    }

    record Scenario(List<PairingPlan> pairings, List<DocketPlan> dockets, List<WedgePlan> wedges, PapersPlan papers) {
    }
}
