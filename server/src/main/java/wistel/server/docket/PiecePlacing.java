package wistel.server.docket;

import java.util.UUID;
import org.springframework.stereotype.Component;
import wistel.core.docket.changes.Change;

/** Finds the places of pieces that are printed together, after a change of them, their paper or their arrangement. */
@Component
class PiecePlacing {
    private final DocketRepository dockets;
    private final DocketAssessor assessor;

    PiecePlacing(DocketRepository dockets, DocketAssessor assessor) {
        this.dockets = dockets;
        this.assessor = assessor;
    }

    /** The change, with the places that pieces find after it. A docket that prints one picture is not read for it. */
    Change after(UUID id, Change change) {
        return new Change.Placing(change, d -> assessor.assess(dockets.get(id).with(d)).facts().input(d));
    }
}
