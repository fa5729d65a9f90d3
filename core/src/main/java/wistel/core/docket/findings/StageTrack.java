package wistel.core.docket.findings;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import wistel.core.docket.findings.Finding.Severity;
import wistel.core.docket.findings.StageStatus.Mark;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.docket.words.DocketPhrases;
import wistel.core.docket.words.PlanWords;
import wistel.core.pairing.PairingVersion;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.DriverSettings;
import wistel.core.rendition.Treatment;
import wistel.core.sheet.Layout;

/** The six stages of a docket, each with its one-line outcome and its mark. */
public final class StageTrack {
    private StageTrack() {
    }

    public static List<StageStatus> of(DocketSpec d, PreflightFacts facts, Layout layout, List<Finding> findings) {
        boolean paired = facts.pairing().isPresent();
        List<StageStatus> stages = new ArrayList<>();
        stages.add(status(Stage.PICTURE, pictures(d, facts), findings, true));
        stages.add(status(Stage.PAPER, facts.pairing().map(PairingVersion::paper).orElse("not chosen yet"), findings, paired));
        stages.add(status(Stage.SIZE, size(d, layout), findings, paired));
        stages.add(status(Stage.PROOF, facts.proofSeen(d) ? proof(d, facts) : "not looked at yet", findings, facts.proofSeen(d)));
        stages.add(status(Stage.MACHINE,
            paired ? facts.described().type(d.settings().mediaType()) + ", " + facts.described().quality(d.settings().quality()) + ", "
                + facts.described().word(DriverSettings.FEED, d.settings().feed()) : "waits for a paper",
            findings, paired));
        long stops = findings.stream().filter(f -> f.severity() == Severity.STOP).count();
        long looks = findings.stream().filter(f -> f.severity() == Severity.LOOK).count();
        String release = stops > 0 ? (stops == 1 ? "one thing stops it" : stops + " things stop it")
            : looks > 0 ? looks + (looks == 1 ? " thing to look at" : " things to look at") : "nothing stops it";
        stages.add(new StageStatus(Stage.RELEASE, release, stops > 0 ? Mark.BLOCKED : looks > 0 ? Mark.LOOK : Mark.SETTLED));
        return stages;
    }

    private static StageStatus status(Stage stage, String outcome, List<Finding> findings, boolean settled) {
        boolean stops = findings.stream().anyMatch(f -> f.stage() == stage && f.severity() == Severity.STOP);
        boolean look = findings.stream().anyMatch(f -> f.stage() == stage && f.severity() == Severity.LOOK);
        return new StageStatus(stage, outcome, stops ? Mark.BLOCKED : look ? Mark.LOOK : settled ? Mark.SETTLED : Mark.OPEN);
    }

    private static String pictures(DocketSpec d, PreflightFacts facts) {
        if (d.renditions().size() > 2) {
            long gray = d.renditions().stream().filter(r -> d.monochrome(r, facts.pictures().get(r.id()).channels())).count();
            return d.renditions().size() + " pictures, " + (gray == 0 ? "all in colour"
                : gray == d.renditions().size() ? "all monochrome" : gray + " of them monochrome");
        }
        return d.renditions().stream().map(r -> {
            PreflightFacts.Picture p = facts.pictures().get(r.id());
            boolean mono = p.channels() == 1 || r.treatment() instanceof Treatment.Monochrome;
            return (mono ? "monochrome" : "colour") + ", "
                + (p.hasProfile() || r.profileConfirmed() ? p.sourceName() : "its profile is missing");
        }).distinct().collect(Collectors.joining("; "));
    }

    private static String size(DocketSpec d, Layout layout) {
        return d.plan().accept(new PlanWords(d, layout)).size();
    }

    private static String measured(DocketSpec d, PreflightFacts facts) {
        return facts.curve(d).map(k -> "by wedge " + k.wedge())
            .orElseGet(() -> facts.pairing().filter(PairingVersion::grayOnly).isPresent() ? "by its gray profile" : "not measured");
    }

    private static String proof(DocketSpec d, PreflightFacts facts) {
        if (!(d.route() instanceof ColourRoute.ByWistel by)) {
            return d.route() instanceof ColourRoute.DriverMonochrome ? "driver's monochrome, " + measured(d, facts)
                : "doesn't apply: the driver converts";
        }
        String name = DocketPhrases.shortIntent(by.intent());
        boolean moved = d.renditions().stream().anyMatch(r -> !r.compensation().inForceWords().isEmpty());
        return moved ? name + ", compensated" : facts.compensatesBlack(by) ? name + ", black compensated" : name;
    }
}
