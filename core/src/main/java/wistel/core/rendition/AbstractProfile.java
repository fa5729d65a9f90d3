package wistel.core.rendition;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import wistel.core.colour.CieDe2000;
import wistel.core.colour.D50;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;
import wistel.core.colour.Oklab;
import wistel.core.fault.ProfileException;
import wistel.core.icc.profile.ColourSpace;
import wistel.core.icc.profile.DeviceClass;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.LutWriter;
import wistel.core.icc.profile.ProfileWriter;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.profile.TagWriter;
import wistel.core.icc.stage.LabFunction;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;

/**
 * Compensations as ICC abstract profiles (class {@code abst}, L*a*b* to L*a*b*; ICC.1:2022, 8.7), so that other software can use them:
 * written as a table of their moves, true to CIEDE2000 0.2 for what its codes can hold, and read by finding moves that do what a table
 * does.
 */
public final class AbstractProfile {
    /** A private tag with the moves themselves, in a form that the caller knows. */
    private static final String OWN = "wism";
    /** Bytes of a data tag before its content. */
    private static final int DATA_HEAD = 12;
    private static final LabEncoding CODES = LabEncoding.V2;
    private static final int SIDE = 65;
    private static final int CURVE = 4096;
    /** L* of the largest code. */
    private static final double LIGHTEST = 65535 / CODES.lightness();
    /**
     * Nodes of L* lie nearer towards black, where Oklab's roots are steep; those of a* and b* towards neutral, where moves by hue fade in.
     */
    private static final double TOWARDS_BLACK = 2.8;
    private static final double TOWARDS_NEUTRAL = 2.2;

    private static final double L_TOLERANCE = 0.15;
    /** Mean CIEDE2000 from which moves no longer do what a table does. */
    private static final double TOO_FAR = 1.5;
    /** Oklab's L and chroma of the colours that tell what a table does to a hue. */
    private static final double[] LIGHTNESSES = {0.45, 0.6, 0.75};
    private static final double[] CHROMAS = {0.06, 0.1, 0.14};

    private AbstractProfile() {
    }

    /** @param own what {@link #own} gives back, at most some kilobytes */
    public static byte[] write(Compensation compensation, byte[] own) {
        LabFunction tones = RenditionChange
            .all(compensation.moves().stream().filter(m -> m instanceof LightnessCurve || m instanceof ToneMoves).toList());
        LabFunction all = new RenditionChange(new Treatment.Colour(), compensation.moves());
        double black = beyondWhite(tones, 0, 0, 0)[0];
        double white = beyondWhite(tones, LIGHTEST, 0, 0)[0];
        char[] lightness = new char[CURVE];
        char[] plane = new char[CURVE];
        for (int i = 0; i < CURVE; i++) {
            double toned = beyondWhite(tones, LIGHTEST * i / (CURVE - 1), 0, 0)[0];
            double place = (toned - black) / (white - black);
            lightness[i] = (char) Math.round(65535 * Math.pow(Math.max(0, Math.min(1, place)), 1 / TOWARDS_BLACK));
            plane[i] = (char) Math.round(65535 * placed(i / (CURVE - 1.0)));
        }
        char[] nodes = new char[3 * SIDE * SIDE * SIDE];
        for (int n = 0; n < nodes.length / 3; n++) {
            double toned = black + (white - black) * Math.pow(n / SIDE / SIDE / (SIDE - 1.0), TOWARDS_BLACK);
            double[] lab = beyondWhite(all, before(tones, toned), ab(n / SIDE % SIDE), ab(n % SIDE));
            nodes[3 * n] = CODES.ofL(lab[0]);
            nodes[3 * n + 1] = CODES.ofAb(lab[1]);
            nodes[3 * n + 2] = CODES.ofAb(lab[2]);
        }
        return new ProfileWriter(DeviceClass.ABSTRACT, ColourSpace.LAB, ColourSpace.LAB, compensation.name(), "No copyright, use freely")
            .tag("wtpt", TagWriter.xyz(D50.X, D50.Y, D50.Z)).tag("A2B0", LutWriter.lut16(3, SIDE, nodes, lightness, plane, plane))
            .tag(OWN, TagWriter.data(own)).write();
    }

    /** Codes reach up to L* 100.4: what lies above white goes on as white does, so that white itself, between two nodes, is right. */
    private static double[] beyondWhite(LabFunction function, double l, double a, double b) {
        double[] lab = at(function, Math.min(100, l), a, b);
        lab[0] += Math.max(0, l - 100);
        return lab;
    }

    /** Where a code of a* or b* lies along its axis, all from 0 to 1; neutral in the middle. */
    private static double placed(double code) {
        double from = 2 * (code - NEUTRAL);
        return 0.5 + 0.5 * Math.signum(from) * Math.pow(Math.min(1, Math.abs(from)), 1 / TOWARDS_NEUTRAL);
    }

    private static final double NEUTRAL = CODES.ofAb(0) / 65535.0;

    /** a* or b* at a node. */
    private static double ab(int node) {
        double from = 2.0 * node / (SIDE - 1) - 1;
        double code = NEUTRAL + 0.5 * Math.signum(from) * Math.pow(Math.abs(from), TOWARDS_NEUTRAL);
        return code * 65535 / CODES.chroma() + CODES.lowest();
    }

    /** What was handed to {@link #write}, where this profile comes from there. */
    public static Optional<byte[]> own(IccProfile profile) {
        return profile.tag(OWN).filter(tag -> tag.length > DATA_HEAD).map(tag -> Arrays.copyOfRange(tag, DATA_HEAD, tag.length));
    }

    /**
     * @param moves that do what the profile does
     * @param mean  CIEDE2000 between the two, over colours of sRGB
     * @param most  the largest
     */
    public record Found(List<Move> moves, double mean, double most) {
    }

    /** @throws ProfileException when it is no abstract profile over L*a*b*, or does more than moves can */
    public static Found read(IccProfile profile) {
        String name = "'" + profile.description() + "'";
        if (profile.deviceClass() != DeviceClass.ABSTRACT) {
            throw new ProfileException(ProfileException.Reason.NOT_ABSTRACT, name + " describes a device, not a change of colours.",
                "Choose an abstract profile (class abst), or a file of a compensation.");
        }
        if (profile.space() != ColourSpace.LAB || profile.pcs() != ColourSpace.LAB) {
            throw new ProfileException(ProfileException.Reason.NOT_ABSTRACT,
                name + " changes colours through " + profile.space() + "; moves work in L*a*b*.",
                "Choose an abstract profile over L*a*b*.");
        }
        Transform table = TransformCompiler.link(profile);
        LabFunction wanted = (lab, at) -> {
            Lab to = LabEncoding.V4.lab(table.exact(lab[at] / 100, (lab[at + 1] + 128) / 255, (lab[at + 2] + 128) / 255));
            lab[at] = to.l();
            lab[at + 1] = to.a();
            lab[at + 2] = to.b();
        };
        List<Move> moves = new ArrayList<>();
        tones(wanted).ifPresent(moves::add);
        LabFunction toned = RenditionChange.all(moves);
        Warmth warmth = warmth(wanted, toned);
        moves.add(chroma(wanted, toned, warmth));
        moves.add(warmth);
        Found found = judged(Compensation.inOrder(moves), wanted);
        if (found.mean > TOO_FAR) {
            throw new ProfileException(ProfileException.Reason.BEYOND_MOVES,
                name + " does more than moves can: the nearest ones stay ΔE " + Math.round(10 * found.mean) / 10.0 + " away on average.",
                "Use it in the software that it was made for, before the picture comes here.");
        }
        return found;
    }

    private static double[] at(LabFunction function, double l, double a, double b) {
        double[] lab = {l, a, b};
        function.apply(lab, 0);
        return lab;
    }

    /** The lightness of grays through as few points as follow it. */
    private static Optional<LightnessCurve> tones(LabFunction wanted) {
        double[] to = IntStream.rangeClosed(0, 100).mapToDouble(l -> Math.max(0, Math.min(100, at(wanted, l, 0, 0)[0]))).toArray();
        for (int l = 1; l <= 100; l++) {
            to[l] = Math.max(to[l], to[l - 1]);
        }
        if (IntStream.rangeClosed(0, 100).allMatch(l -> Math.abs(to[l] - l) < L_TOLERANCE)) {
            return Optional.empty();
        }
        List<Integer> points = new ArrayList<>(List.of(0, 100));
        LightnessCurve curve = through(points, to);
        while (points.size() < LightnessCurve.MOST_POINTS) {
            LabFunction now = curve.function();
            int worst = IntStream.rangeClosed(0, 100).boxed().max(Comparator.comparingDouble(l -> Math.abs(at(now, l, 0, 0)[0] - to[l])))
                .orElseThrow();
            if (Math.abs(at(now, worst, 0, 0)[0] - to[worst]) < L_TOLERANCE) {
                break;
            }
            points.add(worst);
            points.sort(Comparator.naturalOrder());
            curve = through(points, to);
        }
        return Optional.of(curve);
    }

    private static LightnessCurve through(List<Integer> points, double[] to) {
        return new LightnessCurve(points.stream().map(l -> new LightnessCurve.TonePoint(l, to[l])).toList());
    }

    private static Warmth warmth(LabFunction wanted, LabFunction toned) {
        double[] middle = at(wanted, before(toned, 50), 0, 0);
        double weight = Math.max(0.1, Warmth.weight(middle[0]));
        return new Warmth(bounded(middle[2] / weight, 0.1, Warmth.MOST), bounded(middle[1] / weight, 0.1, Warmth.MOST));
    }

    private static double bounded(double value, double step, double most) {
        return Math.max(-most, Math.min(most, Math.round(value / step) * step));
    }

    /** The L* that tones make this one of. */
    private static double before(LabFunction toned, double l) {
        double low = 0;
        double high = LIGHTEST;
        for (int i = 0; i < 30; i++) {
            double middle = (low + high) / 2;
            if (beyondWhite(toned, middle, 0, 0)[0] < l) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return (low + high) / 2;
    }

    /** What happens to six hues: of each some colours, their tones undone and their warmth taken away. */
    private static ChromaMoves chroma(LabFunction wanted, LabFunction toned, Warmth warmth) {
        return new ChromaMoves(1, Hues.SIX.stream().map(hue -> {
            double factor = 0;
            double turn = 0;
            double lighter = 0;
            for (double l : LIGHTNESSES) {
                for (double c : CHROMAS) {
                    double[] lab = untoned(toned, l, c, Math.toRadians(hue));
                    double[] to = at(wanted, lab[0], lab[1], lab[2]);
                    double w = Warmth.weight(to[0]);
                    to[1] -= warmth.tint() * w;
                    to[2] -= warmth.warmth() * w;
                    Oklab.fromLab(to, 0);
                    factor += 1 + (Math.hypot(to[1], to[2]) / c - 1) / ChromaMoves.faded(c);
                    turn += (Oklab.hue(to[1], to[2]) - hue + 540) % 360 - 180;
                    lighter += 100 * (to[0] - l) / ChromaMoves.faded(c) / Warmth.weight(100 * l);
                }
            }
            int n = LIGHTNESSES.length * CHROMAS.length;
            return new ChromaMoves.HuePoint(hue, Math.max(0, Math.min(2, Math.round(100 * factor / n) / 100.0)), bounded(turn / n, 0.5, 15),
                bounded(lighter / n, 0.1, 10));
        }).toList());
    }

    /** The colour that tones make one of Oklab's L, chroma and hue of. */
    private static double[] untoned(LabFunction toned, double l, double c, double hue) {
        double before = Math.cbrt(D50.luminance(before(toned, D50.lightness(l * l * l))));
        double chroma = c / TonesOfColours.share(before, l);
        double[] lab = {before, chroma * Math.cos(hue), chroma * Math.sin(hue)};
        Oklab.toLab(lab, 0);
        return lab;
    }

    private static double held(double ab) {
        return Math.max(-128, Math.min(127, ab));
    }

    private static final int STEPS = 9;

    private static Found judged(List<Move> moves, LabFunction wanted) {
        LabFunction found = new RenditionChange(new Treatment.Colour(), moves);
        Transform toLab = TransformCompiler.toLab(StandardSpaces.SRGB);
        double sum = 0;
        double most = 0;
        for (int i = 0; i < STEPS * STEPS * STEPS; i++) {
            Lab lab = LabEncoding.V4
                .lab(toLab.exact(i / STEPS / STEPS / (STEPS - 1.0), i / STEPS % STEPS / (STEPS - 1.0), i % STEPS / (STEPS - 1.0)));
            double[] a = at(wanted, lab.l(), lab.a(), lab.b());
            double[] b = at(found, lab.l(), lab.a(), lab.b());
            // a table holds no more than its codes do
            double apart = CieDe2000.between(a[0], a[1], a[2], b[0], held(b[1]), held(b[2]));
            sum += apart;
            most = Math.max(most, apart);
        }
        return new Found(moves, sum / (STEPS * STEPS * STEPS), most);
    }
}
