package wistel.server.docket;

import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import wistel.core.docket.changes.GangCommand;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.sheet.Gang;
import wistel.core.sheet.Item;
import wistel.core.sheet.Layout;
import wistel.core.sheet.LayoutInput;

/** How pieces would lie with what is dragged just now. */
@Component
class TriedLayouts {
    private final DocketRepository dockets;
    private final DocketAssessor assessor;

    TriedLayouts(DocketRepository dockets, DocketAssessor assessor) {
        this.dockets = dockets;
        this.assessor = assessor;
    }

    /**
     * What a hand asks for while it still moves.
     *
     * @param itemId   a piece that is to be longer or shorter
     * @param longerMm of its longer side
     */
    record Trial(Optional<Double> gutterMm, Optional<String> itemId, Optional<Double> longerMm) {
    }

    /** How the pieces would lie, found quickly: near to how they will lie when it is decided. Nothing is kept. */
    Layout tried(UUID id, Trial asked) {
        DocketRepository.Row row = dockets.get(id);
        DocketSpec tried = row.spec();
        Gang gang = GangCommand.gang(tried);
        PreflightFacts facts = assessor.assess(row).facts();
        if (asked.gutterMm.isPresent()) {
            gang = gang.arranged(gang.arrangement().apart(asked.gutterMm.get()));
        }
        if (asked.itemId.isPresent() && asked.longerMm.isPresent()) {
            Item item = tried.item(asked.itemId.get());
            tried = GangService.longer(item, facts.pictures().get(item.renditionId()).size(), asked.longerMm.get()).on(tried);
        }
        tried = tried.withChanged(gang.resized(facts.input(tried)));
        LayoutInput in = facts.input(tried);
        return gang.placedQuickly(in).lay(in);
    }
}
