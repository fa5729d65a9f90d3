package wistel.standin.ink;

import wistel.core.colour.D50;
import wistel.core.icc.stage.ClutGrid;

/**
 * What four inks give on a paper: the Yule-Nielsen modified spectral Neugebauer model (J. A. C. Yule, W. J. Nielsen, 1951; J. A. S.
 * Viggiano, 1985) over 31 bands, with inks as smooth absorption bands, dot gain, an ink limit set by the media type, and a surface
 * reflection that bounds the black. It is a model of an invented printer: believable, not measured.
 */
public final class InkOnPaper {
    private static final int BANDS = 31;
    private static final double YULE_NIELSEN = 2.0;
    private static final double GRAY_DENSITY = 0.75;
    private static final int SIDE = 33;
    /** Centre and width in nm, and full density, of what each ink absorbs: cyan, magenta, yellow; then a weaker side band each. */
    private static final double[][] INKS = {
        {640, 62, 1.75, 440, 60, 0.10}, {540, 36, 1.85, 420, 40, 0.32}, {438, 36, 1.60, 520, 20, 0.10}};
    private static final double[][] OBSERVER = observer();

    private final ClutGrid grid;
    private final ClutGrid inks;

    /** In colour, with the black that suits the media type. */
    public InkOnPaper(Paper paper, String mediaType, int quality) {
        this(paper, Laying.colour(paper, mediaType, quality));
    }

    /** @param paper what really lies in the feed */
    public InkOnPaper(Paper paper, Laying laying) {
        double[][] primaries = primaries(paper, laying);
        float[] values = new float[3 * SIDE * SIDE * SIDE];
        float[] cover = new float[Laying.INKS.size() * SIDE * SIDE * SIDE];
        double[] lab = new double[3];
        int at = 0;
        int ink = 0;
        for (int r = 0; r < SIDE; r++) {
            for (int g = 0; g < SIDE; g++) {
                for (int b = 0; b < SIDE; b++) {
                    double[] inks = laying.inks(r / (SIDE - 1.0), g / (SIDE - 1.0), b / (SIDE - 1.0));
                    measure(paper, inks, primaries, laying.quality(), lab);
                    values[at++] = (float) lab[0];
                    values[at++] = (float) lab[1];
                    values[at++] = (float) lab[2];
                    for (double amount : inks) {
                        cover[ink++] = (float) amount;
                    }
                }
            }
        }
        grid = new ClutGrid(new int[] {SIDE, SIDE, SIDE}, 3, values);
        inks = new ClutGrid(new int[] {SIDE, SIDE, SIDE}, Laying.INKS.size(), cover);
    }

    /** Cover of each ink for driver RGB from 0 to 1. */
    void inks(double[] rgb, double[] cover) {
        inks.at(rgb, cover);
    }

    /** Absolute L*a*b* of driver RGB from 0 to 1. */
    public void lab(double[] rgb, double[] lab) {
        grid.at(rgb, lab);
    }

    private static double[][] primaries(Paper paper, Laying laying) {
        double[][] primaries = new double[16][BANDS];
        double black = laying.photoBlack() == paper.photoBlack() ? 2.35 : 1.25;
        double strength = paper.photoBlack() ? 1 : 0.80;
        for (int set = 0; set < 16; set++) {
            for (int band = 0; band < BANDS; band++) {
                double nm = 400 + 10 * band;
                double density = (set & 8) != 0 ? black : 0;
                for (int ink = 0; ink < 3; ink++) {
                    if ((set >> ink & 1) == 1) {
                        double[] s = INKS[ink];
                        density += strength * (s[2] * bell(nm, s[0], s[1]) + s[5] * bell(nm, s[3], s[4]));
                    }
                }
                double r = paper.reflectance(nm) * laying.drift().sheet(nm) * Math.pow(10, -density) * (1 - paper.surface())
                    + paper.surface();
                primaries[set][band] = Math.pow(r, 1 / YULE_NIELSEN);
            }
        }
        return primaries;
    }

    private static double bell(double nm, double centre, double width) {
        double t = (nm - centre) / width;
        return Math.exp(-0.5 * t * t);
    }

    private static void measure(Paper paper, double[] inks, double[][] primaries, int quality, double[] lab) {
        double gain = paper.dotGain() * (quality == 3 ? 1.35 : quality == 4 ? 1.12 : 1);
        // gray ink is a weak black: it darkens evenly all that lies under it
        double veil = Math.pow(10, -GRAY_DENSITY * Math.min(1, inks[4] + 2 * gain * inks[4] * (1 - inks[4])));
        double[] cover = new double[4];
        for (int i = 0; i < 4; i++) {
            cover[i] = Math.min(1, inks[i] + 4 * gain * inks[i] * (1 - inks[i]) * 0.5);
        }
        double[] xyz = new double[3];
        double[] weights = new double[16];
        for (int set = 0; set < 16; set++) {
            double w = 1;
            for (int i = 0; i < 4; i++) {
                w *= (set >> i & 1) == 1 ? cover[i] : 1 - cover[i];
            }
            weights[set] = w;
        }
        for (int band = 0; band < BANDS; band++) {
            double root = 0;
            for (int set = 0; set < 16; set++) {
                root += weights[set] * primaries[set][band];
            }
            double r = inks[4] == 0 ? Math.pow(root, YULE_NIELSEN)
                : paper.surface() + (Math.pow(root, YULE_NIELSEN) - paper.surface()) * veil;
            for (int i = 0; i < 3; i++) {
                xyz[i] += r * OBSERVER[i][band];
            }
        }
        D50.xyzToLab(xyz, lab);
    }

    /**
     * CIE 1931 matching functions by the fits of Wyman, Sloan and Shirley (Journal of Computer Graphics Techniques 2(2), 2013), under a
     * radiator of 5003 K, scaled so that the perfect diffuser has the PCS white.
     */
    private static double[][] observer() {
        double[][] o = new double[3][BANDS];
        double[] sums = new double[3];
        for (int band = 0; band < BANDS; band++) {
            double nm = 400 + 10 * band;
            double light = Math.pow(nm, -5) / (Math.exp(1.4388e7 / (nm * 5003)) - 1);
            o[0][band] = light
                * (1.056 * lobe(nm, 599.8, 37.9, 31.0) + 0.362 * lobe(nm, 442.0, 16.0, 26.7) - 0.065 * lobe(nm, 501.1, 20.4, 26.2));
            o[1][band] = light * (0.821 * lobe(nm, 568.8, 46.9, 40.5) + 0.286 * lobe(nm, 530.9, 16.3, 31.1));
            o[2][band] = light * (1.217 * lobe(nm, 437.0, 11.8, 36.0) + 0.681 * lobe(nm, 459.0, 26.0, 13.8));
            for (int i = 0; i < 3; i++) {
                sums[i] += o[i][band];
            }
        }
        double[] white = {D50.X, D50.Y, D50.Z};
        for (int i = 0; i < 3; i++) {
            for (int band = 0; band < BANDS; band++) {
                o[i][band] *= white[i] / sums[i];
            }
        }
        return o;
    }

    private static double lobe(double nm, double centre, double below, double above) {
        double t = (nm - centre) / (nm < centre ? below : above);
        return Math.exp(-0.5 * t * t);
    }
}
