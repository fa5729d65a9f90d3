package wistel.server.docket;

import org.springframework.stereotype.Component;
import wistel.core.docket.changes.Change;

/** Finds the places of pieces that are printed together, after a change of them, their paper or their arrangement. */
@Component
class PiecePlacing {
    private final DocketAssessor assessor;

    PiecePlacing(DocketAssessor assessor) {
        this.assessor = assessor;
    }

    /** The change, with the places that pieces find after it. */
    Change after(DocketRepository.Row row, Change change) {
        return new Change.Placing(change, d -> assessor.assess(row.with(d)).facts().input(d));
    }
}
