package wistel.server.docket;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import wistel.core.docket.PrintOrder;
import wistel.core.docket.findings.Finding;
import wistel.core.docket.findings.Preflight;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.sheet.Layout;
import wistel.server.printer.Printer;

/**
 * A docket with what it is judged against.
 *
 * @param proofKeys name the proof of each rendition; empty without a paper
 */
public record DocketAssessment(DocketRepository.Row row, PreflightFacts facts, Layout layout, List<PrintOrder.Master> masters,
    Optional<Printer> printer, Map<String, String> proofKeys) {
    public List<Finding> findings() {
        return Preflight.findings(row.spec(), facts, layout);
    }

    public String descriptionHash() {
        return printer.map(Printer::descriptionHash).orElse("");
    }
}
