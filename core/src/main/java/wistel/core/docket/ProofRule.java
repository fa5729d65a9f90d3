package wistel.core.docket;

import java.util.stream.Stream;
import wistel.core.sheet.Layout;

/** A proof that nobody has looked at. */
final class ProofRule implements Rule {
    @Override
    public Stream<Finding> check(DocketSpec d, PreflightFacts facts, Layout layout) {
        return facts.pairing().isPresent() && !facts.proofSeen() ? Stream.of(Finding.look(Stage.PROOF, "proof-not-looked-at",
            "The proof on this paper has not been looked at.", "What this paper does to the picture shows there, before it costs a sheet.")) : Stream.empty();
    }
}
