package wistel.core.docket.findings;

import java.util.Optional;
import java.util.stream.Stream;
import wistel.core.docket.changes.DocketCommand;
import wistel.core.docket.findings.Finding.Code;
import wistel.core.docket.findings.Finding.Fix;
import wistel.core.docket.findings.Finding.Subject;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.light.HangingLight;
import wistel.core.sheet.Layout;

/** Moves that were made for one light look wrong in another. */
final class LightRule implements Rule {
    @Override
    public Stream<Finding> check(DocketSpec d, PreflightFacts facts, Layout layout) {
        Optional<HangingLight> hangs = d.heading().light();
        return d.renditions().stream().flatMap(r -> r.compensation().inForceFor().filter(made -> !hangs.equals(Optional.of(made)))
            .map(made -> Finding.look(Stage.PROOF, Code.MADE_FOR_OTHER_LIGHT,
                "Its moves were made for " + made.words()
                    + hangs.map(h -> ", and it hangs in " + h.words()).orElse(", and no light is chosen")
                    + ".",
                "In a brighter light such a print looks too light, in a dimmer one too dark.",
                new Fix("It hangs in " + made.name(), new DocketCommand.HangsIn(Optional.of(made)))).of(new Subject.OfPicture(r.id())))
            .stream());
    }
}
