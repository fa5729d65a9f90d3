package wistel.core.docket.findings;

import java.util.Comparator;
import java.util.List;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.sheet.Layout;

/** The rules that find a wasted sheet before it is wasted. */
public final class Preflight {
    private static final List<Rule> RULES = List.of(new PictureRule(), new PaperRule(), new PlanRule(), new ResolutionRule(),
        new ProofRule(), new SettingsRule(),
        new ColourRule(), new ToneRule(), new LoadedPaperRule(), new RollRule(), new HandlingRule(), new ControlStripRule(),
        new LightRule());

    private Preflight() {
    }

    /** Findings, those that stop the print first; what is to be said of several pictures, pieces or pages alike is said once. */
    public static List<Finding> findings(DocketSpec d, PreflightFacts facts, Layout layout) {
        return Finding.merged(RULES.stream().flatMap(rule -> rule.check(d, facts, layout))).stream()
            .sorted(Comparator.comparing(Finding::severity)).toList();
    }
}
