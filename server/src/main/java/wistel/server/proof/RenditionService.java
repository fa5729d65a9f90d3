package wistel.server.proof;

import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.springframework.stereotype.Service;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.Observer;
import wistel.core.icc.transform.ProofView;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.pairing.PairingVersion;
import wistel.core.pictures.View;
import wistel.core.printer.ColourRoute;
import wistel.core.rendition.ChromaMoves;
import wistel.core.rendition.EndPoints;
import wistel.core.rendition.HueMix;
import wistel.core.rendition.HueShares;
import wistel.core.rendition.Move;
import wistel.core.rendition.Rendition;
import wistel.core.rendition.RenditionChange;
import wistel.core.rendition.RenditionCompiler;
import wistel.core.rendition.ShadowSteps;
import wistel.core.rendition.Suggestion;
import wistel.core.rendition.Treatment;
import wistel.server.docket.DocketAssessment;
import wistel.server.docket.DocketAssessor;
import wistel.server.docket.DocketRepository;
import wistel.server.master.MasterRepository;
import wistel.server.master.PreviewStore;
import wistel.server.pairing.PairingRepository;
import wistel.server.store.ProfileRepository;

/** What helps to treat and compensate a picture: its hues, its ends, its shadows, and a suggestion. */
@Service
public class RenditionService {
    private static final int FIGURES_SIDE = 640;
    private static final int RAMP_WIDTH = 336;
    private static final int RAMP_HEIGHT = 16;

    private final PreviewStore previews;
    private final ProfileRepository profiles;
    private final MasterRepository masters;
    private final PairingRepository pairings;
    private final DocketAssessor assessor;
    private final ProofService proofs;
    private final ToneProofs tones;

    RenditionService(PreviewStore previews, ProfileRepository profiles, MasterRepository masters, PairingRepository pairings,
        ProofService proofs, DocketAssessor assessor, ToneProofs tones) {
        this.tones = tones;
        this.assessor = assessor;
        this.masters = masters;
        this.pairings = pairings;
        this.previews = previews;
        this.profiles = profiles;
        this.proofs = proofs;
    }

    /**
     * @param hues   shares of 72 hues in Oklab from 0 degrees on, the largest 1
     * @param median L* that half of the picture is darker than
     */
    public record Hues(double[] hues, double median) {
    }

    public Hues hues(RenditionView seen) {
        char[] lab = proofs.treated(seen.untreated()).apply(previews.view(seen.master(), FIGURES_SIDE).pixels());
        double[] lightness = IntStream.range(0, lab.length / 3).mapToDouble(i -> LabEncoding.V4.l(lab[3 * i])).sorted().toArray();
        return new Hues(HueShares.of(lab).shares(), lightness[lightness.length / 2]);
    }

    /**
     * What a change does, for plots.
     *
     * @param tones  L* that grays of L* 0 to 100 become, in 50 steps
     * @param chroma factor of the chroma of the strongest colours, for hues of Oklab from 0 to 360 in 72 steps
     * @param mix    what monochrome adds to the L* of the strongest colours, for the same hues
     */
    public record Shape(double[] tones, double[] chroma, double[] mix) {
    }

    public Shape shape(RenditionChange change) {
        double[] tones = IntStream.rangeClosed(0, 50).mapToDouble(i -> of(change, 2.0 * i, 0, 0)[0]).toArray();
        Optional<ChromaMoves> coloured = Move.of(ChromaMoves.class, change.moves());
        HueMix mixed = change.treatment() instanceof Treatment.Monochrome m ? m.mix() : HueMix.EVEN;
        double[] chroma = new double[HueShares.HUES + 1];
        double[] mix = new double[HueShares.HUES + 1];
        for (int h = 0; h <= HueShares.HUES; h++) {
            double hue = 360.0 * h / HueShares.HUES;
            chroma[h] = coloured.map(c -> c.at(hue)).orElse(1.0);
            mix[h] = mixed.at(hue);
        }
        return new Shape(tones, chroma, mix);
    }

    private static double[] of(RenditionChange change, double l, double a, double b) {
        double[] lab = {l, a, b};
        change.apply(lab, 0);
        return lab;
    }

    /** Grays from black to paper as they print, or as a display shows them where no paper is chosen. */
    public byte[] ramp(RenditionView seen, Optional<PairingVersion> pairing, ColourRoute.ByWistel route) {
        char[] tones = new char[3 * RAMP_WIDTH * RAMP_HEIGHT];
        for (int i = 0; i < tones.length / 3; i++) {
            tones[3 * i] = LabEncoding.V4.ofL(100.0 * (i % RAMP_WIDTH) / (RAMP_WIDTH - 1));
            tones[3 * i + 1] = LabEncoding.V4.ofAb(0);
            tones[3 * i + 2] = LabEncoding.V4.ofAb(0);
        }
        char[] working = proofs.transforms().get(new Recipe.FromLab(RenditionCompiler.WORKING, Intent.RELATIVE)).apply(tones);
        return Png
            .of(RAMP_WIDTH, RAMP_HEIGHT,
                proofs
                    .onward(seen, RenditionCompiler.WORKING, route,
                        from -> pairing
                            .<Recipe>map(p -> new Recipe.Proof(from, paper(p), route.intent(), route.blackPoint(), ProofView.PAPER_WHITE,
                                StandardSpaces.SRGB))
                            .orElse(new Recipe.Convert(from, StandardSpaces.SRGB, Intent.RELATIVE, true, Observer.ADAPTED)))
                    .apply(working));
    }

    /** Of the place that a person points at, 0 to 1. */
    public double hue(RenditionView seen, double x, double y) {
        View view = previews.view(seen.master(), FIGURES_SIDE);
        char[] pixel = view.pixel((int) Math.min(view.width() - 1, x * view.width()), (int) Math.min(view.height() - 1, y * view.height()));
        return HueShares.hue(proofs.treated(seen.untreated()).apply(pixel), 0);
    }

    /** Shares of the picture that get no ink, and that the print can't tell from its deepest black. */
    public record Ends(double bareShare, double blockedShare) {
    }

    public Ends ends(RenditionView seen, PairingVersion pairing, ColourRoute.ByWistel route) {
        EndPoints found = endPoints(seen, pairing, route, FIGURES_SIDE);
        return new Ends(found.bareShare(), found.blockedShare());
    }

    /** Bare paper as dots, blocked black as strokes, to lay over the picture. */
    public byte[] endMarks(RenditionView seen, PairingVersion pairing, ColourRoute.ByWistel route, int longest) {
        View view = previews.view(seen.master(), longest);
        byte[] kinds = endPoints(seen, pairing, route, longest).kinds();
        BufferedImage image = new BufferedImage(view.width(), view.height(), BufferedImage.TYPE_INT_ARGB);
        for (int i = 0; i < kinds.length; i++) {
            int x = i % view.width();
            int y = i / view.width();
            if (kinds[i] == EndPoints.Kind.BARE.ordinal() && x % 6 < 2 && y % 6 < 2) {
                image.setRGB(x, y, 0xFF000000);
            } else if (kinds[i] == EndPoints.Kind.BLOCKED.ordinal() && (x - y + 4096) % 7 < 2) {
                image.setRGB(x, y, 0xFFFFFFFF);
            }
        }
        return Png.ofMarks(image);
    }

    private EndPoints endPoints(RenditionView seen, PairingVersion pairing, ColourRoute.ByWistel route, int longest) {
        View view = previews.view(seen.master(), longest);
        // what the paper gives for black by this route
        double deepest = LabEncoding.V4
            .l(proofs.print(seen.untreated(), pairing, route, new View(1, 1, view.channels(), new char[view.channels()]))[0]);
        return EndPoints.of(proofs.print(seen, pairing, route, view), view.width(), deepest);
    }

    /**
     * @param from  L* in the master
     * @param to    L* of the print, relative to its paper
     * @param shown as a display shows it with the paper's white and black, red green blue 0 to 255
     */
    public record ShadowStep(double from, double to, int[] shown) {
    }

    /** @param apart of ten, those that the print keeps apart */
    public record Shadows(List<ShadowStep> steps, int apart) {
    }

    public Shadows shadows(RenditionView seen, PairingVersion pairing, ColourRoute.ByWistel route) {
        char[] tones = proofs.shadowSteps(seen);
        char[] printed = proofs.printedTones(seen, pairing, route, tones, false);
        char[] shown = proofs.tonesOnward(seen, route, tones,
            from -> new Recipe.Proof(from, paper(pairing), route.intent(), route.blackPoint(), ProofView.PAPER_WHITE, StandardSpaces.SRGB));
        List<ShadowStep> steps = new ArrayList<>();
        for (int i = 0; i < tones.length; i += 3) {
            steps.add(new ShadowStep(LabEncoding.V4.l(tones[i]), LabEncoding.V4.l(printed[i]),
                new int[] {shown[i] >> 8, shown[i + 1] >> 8, shown[i + 2] >> 8}));
        }
        return new Shadows(steps, ShadowSteps.apart(printed));
    }

    private IccProfile paper(PairingVersion pairing) {
        return profiles.get(pairing.profileHash());
    }

    /**
     * @param words               what the moves do
     * @param before              of the print without moves
     */
    public record Suggested(List<Move> moves, String words, Suggestion.Closeness before, Suggestion.Closeness after) {
    }

    /** For the part of a docket's picture that is printed, as it stands; nothing is changed. */
    public Suggested suggestion(DocketRepository.Row row, String renditionId, Suggestion.Goal goal) {
        Rendition rendition = row.spec().rendition(renditionId);
        DocketAssessment judged = assessor.assess(row);
        ToneProofs.MeasuredProof toned = tones.of(judged, renditionId,
            new RenditionView(masters.byHash(rendition.masterHash()).orElseThrow(), rendition.change())
                .on(judged, renditionId),
            pairings.chosen(row.spec().pairingId()));
        RenditionView seen = toned.seen();
        PairingVersion pairing = toned.pairing();
        ColourRoute.ByWistel route = row.spec().shownRoute(pairing);
        PicturePixels.Counted counted = proofs.pictures().counted(seen.locallyMoved(), FIGURES_SIDE);
        View view = counted.view();
        boolean monochrome = view.channels() == 1 || seen.change().treatment() instanceof Treatment.Monochrome;
        Transform toNearest = proofs.transforms()
            .get(new Recipe.ProofToLab(RenditionCompiler.WORKING, paper(pairing), Intent.RELATIVE, false, false));
        Transform toPrint = proofs.converted(RenditionCompiler.WORKING, RenditionChange.NONE.straightened(seen.change().straightening()),
            route,
            from -> new Recipe.ProofToLab(from, paper(pairing), route.intent(), route.blackPoint(), false));
        View wanted = new View(view.width(), view.height(), 3, proofs.treated(counted));
        Suggestion.Found found = Suggestion.of(wanted, monochrome, new Suggestion.Ways(toNearest, toPrint), goal);
        return new Suggested(found.moves(), Move.words(found.moves()), found.before(), found.after());
    }
}
