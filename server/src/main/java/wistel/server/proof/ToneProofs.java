package wistel.server.proof;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;
import wistel.core.colour.LabEncoding;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.fault.NotFound;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.transform.Recipe;
import wistel.core.pairing.PairingVersion;
import wistel.core.printer.ColourRoute;
import wistel.core.rendition.LinearisationStep;
import wistel.core.rendition.RenditionCompiler;
import wistel.core.rendition.TonePrediction;
import wistel.core.tone.PairingToneCurve;
import wistel.server.docket.DocketAssessment;
import wistel.server.store.ProfileRepository;

/** Proofs of monochrome by what a wedge measured: what the proof is made from, and by which profile. */
@Component
class ToneProofs {
    private final ProofService proofs;
    private final ProfileRepository profiles;
    private final Cache<List<Object>, LinearisationStep> predictions = Caffeine.newBuilder().executor(Runnable::run).maximumSize(200)
        .build();

    ToneProofs(ProofService proofs, ProfileRepository profiles) {
        this.proofs = proofs;
        this.profiles = profiles;
    }

    /** What is proofed on what. */
    record MeasuredProof(RenditionView seen, PairingVersion pairing) {
    }

    /** @param tone names the measurement and whether its curve is in force; empty where there is none */
    MeasuredProof of(RenditionView seen, PairingVersion pairing, String tone, RenditionCompiler.ConversionOptions onward) {
        if (tone.isEmpty()) {
            return new MeasuredProof(seen, pairing);
        }
        PairingToneCurve curve = PairingToneCurve.named(pairing.curves(), tone)
            .orElseThrow(() -> new NotFound("This wedge is not one of this paper's.", "Look at the docket as it is now."));
        boolean byScale = curve.mode().route() instanceof ColourRoute.DriverMonochrome && !pairing.grayOnly();
        PairingVersion shown = byScale ? pairing.byScale(curve) : pairing;
        LinearisationStep prediction = predictions.get(List.of(shown.profileHash(), tone, onward),
            k -> predicted(shown, curve, PairingToneCurve.isOn(tone), onward));
        RenditionView sent = byScale ? seen.toDriverGray() : seen;
        return new MeasuredProof(sent.straightened(Optional.of(prediction)), shown);
    }

    /** A docket's rendition as it stands. */
    MeasuredProof of(DocketAssessment judged, String rendition, RenditionView seen, PairingVersion pairing) {
        DocketSpec d = judged.row().spec();
        return of(seen, pairing, judged.facts().tone(d, d.rendition(rendition)).orElse(""), ProofService.onward(d.shownRoute(pairing)));
    }

    private LinearisationStep predicted(PairingVersion shown, PairingToneCurve curve, boolean on,
        RenditionCompiler.ConversionOptions onward) {
        IccProfile paper = profiles.get(shown.profileHash());
        char[] grays = LabEncoding.V4.neutrals(TonePrediction.GRAYS);
        char[] working = proofs.transforms().get(new Recipe.FromLab(RenditionCompiler.WORKING, Intent.RELATIVE)).apply(grays);
        char[] printed = proofs.transforms()
            .get(new Recipe.ProofToLab(RenditionCompiler.WORKING, paper, onward.intent(), onward.blackPoint(), true)).apply(working);
        double[] byProfile = IntStream.range(0, TonePrediction.GRAYS).mapToDouble(i -> LabEncoding.V4.l(printed[3 * i])).toArray();
        return TonePrediction.of(byProfile, curve.scale(), Optional.of(LinearisationStep.of(curve.curve())).filter(s -> on));
    }
}
