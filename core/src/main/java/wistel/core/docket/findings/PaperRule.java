package wistel.core.docket.findings;

import java.util.stream.Stream;
import wistel.core.docket.findings.Finding.Code;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.docket.words.DocketPhrases;
import wistel.core.sheet.Layout;

/** A paper to print on, and a printer that answers. */
final class PaperRule implements Rule {
    @Override
    public Stream<Finding> check(DocketSpec d, PreflightFacts facts, Layout layout) {
        if (facts.pairing().isEmpty()) {
            return Stream.of(Finding.stop(Stage.PAPER, Code.PAIRING_MISSING, "No paper is chosen yet.",
                "Without a pairing nothing is known of printer, profile or feed."));
        }
        String printer = DocketPhrases.printer(facts.pairing().get());
        if (facts.printer().isEmpty()) {
            return Stream.of(Finding.stop(Stage.RELEASE, Code.PRINTER_UNKNOWN, printer + " has never answered.",
                "What it can print isn't known, so nothing can be checked. Switch it on; Wistel asks again by itself."));
        }
        return facts.state().away() ? Stream.of(Finding.look(Stage.RELEASE, Code.PRINTER_AWAY, printer + " doesn't answer just now.",
            "The docket can be released: it waits and prints when the printer is back.")) : Stream.empty();
    }
}
