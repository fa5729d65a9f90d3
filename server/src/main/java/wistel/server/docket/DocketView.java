package wistel.server.docket;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import wistel.core.docket.DocketSpec;
import wistel.core.docket.Finding;
import wistel.core.docket.StageStatus;
import wistel.core.length.Ppi;
import wistel.core.paper.Pairing;
import wistel.core.sheet.Placement;
import wistel.server.master.Master;

/** A docket with all that follows from its decisions. */
public record DocketView(UUID id, int number, int version, boolean canUndo, boolean canRedo, DocketSpec decisions, Master master, String sourceName,
                         Optional<Pairing> pairing, Placement placement, Ppi.Label ppiLabel, Reach reach, List<StageStatus> track, List<Finding> findings,
                         String readback, Options options) {

    /** Longest side in mm at which the picture is still fine, good and fair, at reading distance. */
    public record Reach(double fineMm, double goodMm, double fairMm) {
    }

    public record Choice(String value, String label) {
    }

    /** What can be chosen for this pairing's printer. */
    public record Options(List<Choice> sheets, List<Choice> mediaTypes, List<Choice> feeds, List<Choice> qualities) {
    }
}
