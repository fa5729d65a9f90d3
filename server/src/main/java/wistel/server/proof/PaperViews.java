package wistel.server.proof;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import org.springframework.stereotype.Service;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.gamut.GamutBoundary;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.Observer;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.pairing.PairingVersion;
import wistel.server.display.Display;
import wistel.server.store.ProfileRepository;

/** What a paper can hold, as numbers for plots and as a picture. */
@Service
public class PaperViews {
    private static final int SWEEP_WIDTH = 480;
    private static final int SWEEP_HEIGHT = 144;
    private static final int GRAYS_HEIGHT = 48;
    private static final double SWEEP_CHROMA = 60;

    private static final int HUES = 12;

    private final Transform toSrgb = TransformCompiler.compile(new Recipe.FromLab(StandardSpaces.SRGB, Intent.RELATIVE));
    private final ProfileRepository profiles;
    private final ProofService proofs;
    private final Cache<IccProfile, GamutBoundary> boundaries = Caffeine.newBuilder().executor(Runnable::run).maximumSize(30).build();

    PaperViews(ProfileRepository profiles, ProofService proofs) {
        this.profiles = profiles;
        this.proofs = proofs;
    }

    /**
     * A gamut's boundary for plots, in L*a*b* relative to the paper.
     *
     * @param volume    cubic L*a*b* units
     * @param vertices  L*, a*, b* each
     * @param colours   of the vertices, as a display of sRGB shows them: red, green, blue of 8 bits each
     * @param triangles places in {@code vertices}, counter-clockwise seen from outside
     * @param vivid     the most vivid colour by hue
     */
    public record Boundary(double volume, List<double[]> vertices, List<Integer> colours, List<int[]> triangles, List<Slice> slices,
        List<GamutBoundary.VividColour> vivid) {
    }

    /** Closed lines of a*, b* at one L*. */
    public record Slice(double lightness, List<List<double[]>> outlines) {
    }

    /** What a pairing can hold, with slices at the lightnesses asked for. */
    public Boundary boundary(PairingVersion pairing, List<Double> lightnesses) {
        return boundary(profiles.get(pairing.profileHash()), lightnesses);
    }

    /** The same of any device. */
    Boundary boundary(IccProfile device, List<Double> lightnesses) {
        GamutBoundary found = boundaries.get(device, GamutBoundary::of);
        return new Boundary(found.volume(), found.vertices().stream().map(Lab::toArray).toList(),
            found.vertices().stream().map(this::shown).toList(), found.triangles(),
            lightnesses.stream().map(l -> new Slice(l, found.slice(l))).toList(), found.vivid(HUES));
    }

    private int shown(Lab lab) {
        double[] rgb = toSrgb.exact(lab.l() / 100, (lab.a() + 128) / 255, (lab.b() + 128) / 255);
        int packed = 0;
        for (double v : rgb) {
            packed = packed << 8 | (int) Math.round(255 * Math.max(0, Math.min(1, v)));
        }
        return packed;
    }

    /** Grays from black to white, and under them all hues from light to dark, as a paper gives them. */
    public byte[] sweep(IccProfile paper, Display display) {
        char[] lab = new char[3 * SWEEP_WIDTH * SWEEP_HEIGHT];
        for (int i = 0; i < lab.length / 3; i++) {
            double across = i % SWEEP_WIDTH / (SWEEP_WIDTH - 1.0);
            int row = i / SWEEP_WIDTH;
            boolean gray = row < GRAYS_HEIGHT;
            double hue = 2 * Math.PI * across;
            double down = (row - GRAYS_HEIGHT) / (SWEEP_HEIGHT - GRAYS_HEIGHT - 1.0);
            lab[3 * i] = LabEncoding.V4.ofL(gray ? 100 * across : 90 - 70 * down);
            lab[3 * i + 1] = LabEncoding.V4.ofAb(gray ? 0 : SWEEP_CHROMA * Math.cos(hue));
            lab[3 * i + 2] = LabEncoding.V4.ofAb(gray ? 0 : SWEEP_CHROMA * Math.sin(hue));
        }
        char[] device = proofs.transforms().get(new Recipe.FromLab(paper, Intent.RELATIVE)).apply(lab);
        return Png.of(SWEEP_WIDTH, SWEEP_HEIGHT,
            proofs.transforms().get(new Recipe.Convert(paper, display.profile(), Intent.ABSOLUTE, false, Observer.ADAPTED)).apply(device),
            display);
    }
}
