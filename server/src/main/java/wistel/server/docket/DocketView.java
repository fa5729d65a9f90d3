package wistel.server.docket;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import wistel.core.docket.PlanView;
import wistel.core.docket.findings.Finding;
import wistel.core.docket.findings.StageStatus;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.length.Ppi;
import wistel.core.pairing.PairingVersion;
import wistel.core.paper.Stock;
import wistel.core.rendition.LocalMove;
import wistel.core.sheet.Layout;
import wistel.core.sheet.PictureStamp;
import wistel.server.master.Master;

/**
 * A docket with all that follows from its spec.
 *
 * @param undo, redo words of the change that each would take back or make again; empty when there is none
 * @param pictures  in the order of the spec's renditions
 * @param bareShare  of the paper, 0 to 1
 * @param planned    what follows from its plan
 * @param joint      dockets that print it together with others
 * @param origin     the docket of which it tries variations
 */
public record DocketView(UUID id, int number, int version, Optional<String> undo, Optional<String> redo, DocketSpec spec, String stockName,
    List<OnDocket> pictures,
    Optional<PairingVersion> pairing, Layout layout, double bareShare, List<StageStatus> track,
    List<Finding> findings, String readback, Options options, PlanView planned, List<Joint> joint, Optional<Joint> origin) {

    /** Another docket, on which this one's pictures lie too, or that it came from. */
    public record Joint(UUID id, int number, String title) {
    }

    /**
     * A picture of the docket.
     *
     * @param sourceName of the profile that says what its numbers mean
     * @param framed     what is printed of it, which edges follow
     * @param stamps     marks of one's own that lie over it
     * @param printed    once for each place where it is laid down
     * @param tones      what a wedge told of the way in which it comes out in monochrome; empty where none was measured, and in colour
     */
    public record OnDocket(String renditionId, Master master, String sourceName, Reach reach, LocalMove.PrintFrame framed,
        List<PictureStamp> stamps, List<Printed> printed,
        Optional<Tones> tones) {
    }

    /**
     * A wedge's curve for the docket's mode.
     *
     * @param key  names by what its proofs are made
     * @param on   the curve is in force
     * @param move the largest, as a share of the scale; 0 of a mode that is straight by itself
     */
    public record Tones(String key, int wedge, LocalDate measured, boolean on, double move) {
    }

    /**
     * @param ppi      pixels of the picture per inch of paper
     * @param inputDpi what the printer gets; 0 when no printer is chosen
     */
    public record Printed(double ppi, Ppi.Label label, int inputDpi) {
    }

    /** Longest side in mm at which the picture is still fine, good and fair, at reading distance. */
    public record Reach(double fineMm, double goodMm, double fairMm) {
    }

    /**
     * A sheet or roll that can be chosen.
     *
     * @param feed  that takes it
     * @param fills the picture's shape is the sheet's, so borderless it loses next to nothing
     * @param own   a person's own size
     * @param loaded it lies in the printer
     * @param holds the plan fits it, or would if it were turned
     */
    public record StockChoice(Stock stock, Optional<String> feed, String label, boolean fills, boolean own, boolean loaded, boolean holds) {
    }

    /**
     * Printing past the edge.
     *
     * @param offered for this stock, media type and feed
     * @param overMm  how far over, from which one is chosen
     */
    public record Borderless(boolean offered, List<Double> overMm) {
    }

    /** What can be chosen for this pairing's printer. */
    public record Options(List<StockChoice> stocks, Borderless borderless) {
    }
}
