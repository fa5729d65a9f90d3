package wistel.core.docket.findings;

import java.util.stream.Stream;
import wistel.core.docket.findings.Finding.Code;
import wistel.core.docket.findings.Finding.Subject;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.PreflightFacts;
import wistel.core.sheet.Layout;
import wistel.core.sheet.Plans;

/** A proof that nobody has looked at. */
final class ProofRule implements Rule {
    @Override
    public Stream<Finding> check(DocketSpec d, PreflightFacts facts, Layout layout) {
        // a test strip is proofed as it lies, at the size station
        return facts.pairing().isEmpty() || Plans.strip(d.plan()).isPresent() ? Stream.empty()
            : d.renditions().stream().filter(r -> !facts.proofsSeen().contains(r.id()))
                .map(r -> Finding.look(Stage.PROOF, Code.PROOF_NOT_LOOKED_AT,
                    "The proof on this paper has not been looked at.",
                    "What this paper does to the picture shows there, before it costs a sheet.").of(new Subject.OfPicture(r.id())));
    }
}
