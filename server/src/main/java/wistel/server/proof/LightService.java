package wistel.server.proof;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.springframework.stereotype.Service;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.Recipe;
import wistel.core.light.LabTable;
import wistel.core.light.Light;
import wistel.core.light.LightCompensation;
import wistel.core.light.PrintLook;
import wistel.core.light.Screen;
import wistel.core.pairing.PairingVersion;
import wistel.core.printer.ColourRoute;
import wistel.core.rendition.ChromaMoves;
import wistel.core.rendition.LightnessCurve;
import wistel.core.rendition.Move;
import wistel.server.display.Display;

/** Prints in the light that they will hang in: as pictures, as numbers, and what to move for it. */
@Service
class LightService {
    /** Tones of a master. */
    private static final char[] NEUTRALS = LabEncoding.V4.neutrals(LightCompensation.TONES);
    private static final int SIDE = 320;
    private static final int MOST_COLOURS = 500;
    /** Colours with less in the judging light have none to lose. */
    private static final double LEAST_COLOURFUL = 5;
    /** Points of the curve that is suggested, L* of the master: closer together in the shadows. */
    private static final double[] POINTS = {0, 6, 14, 25, 40, 58, 78, 100};
    private static final double MOST_CHROMA = 1.5;

    private final ProofService proofs;
    private final Cache<TableKey, LabTable> tables = Caffeine.newBuilder().maximumSize(24).build();

    LightService(ProofService proofs) {
        this.proofs = proofs;
    }

    /** How a print in its light is looked at. */
    enum Seen {
        /** With eyes that are adapted to the screen. */
        BESIDE,
        /** With eyes that have settled in the light. */
        SETTLED
    }

    private record TableKey(Light light, Screen screen, Seen seen) {
    }

    /** A print, its light and the screen that it is foreseen on. */
    record Hung(RenditionView view, PairingVersion pairing, ColourRoute.ByWistel route, Light light, Screen screen) {
        private PrintLook look() {
            return new PrintLook(light);
        }

        private Hung with(RenditionView next) {
            return new Hung(next, pairing, route, light, screen);
        }

        private double paper() {
            return pairing.white().xyz()[1];
        }
    }

    byte[] picture(Hung hung, Seen seen, Display display, int longest) {
        TableKey key = new TableKey(hung.light, hung.screen, seen);
        LabTable table = tables.get(key, k -> {
            PrintLook look = hung.look();
            return new LabTable(seen == Seen.SETTLED ? look::settled : print -> look.beside(print, hung.screen));
        });
        return proofs.inLight(hung.view, hung.pairing, hung.route, table, display, longest);
    }

    /** Just noticeable differences that lie below a tone of the master. */
    record Differences(double l, double judging, double here) {
    }

    /**
     * @param white      of the paper, cd/m2
     * @param judging    the same in the judging light
     * @param screen     white of the screen, cd/m2
     * @param ratio      of the perfect diffuser's white to the screen's
     * @param apart      of ten tones of the picture's darkest third, those that stay apart
     * @param apartJudging the same in the judging light
     * @param colourKept share of colourfulness that is left of the judging light's
     * @param whiteSeen  the paper once the eye has settled
     * @param beside     the paper beside the screen, sRGB of 8 bits
     * @param settled    the paper once the eye has settled, the same
     * @param tones      by the master's L*
     */
    record LightFigures(double white, double judging, double screen, double ratio, int apart, int apartJudging, double colourKept,
        Lab whiteSeen, List<Integer> beside, List<Integer> settled, List<Differences> tones) {
    }

    LightFigures figures(Hung hung) {
        PrintLook here = hung.look();
        PrintLook judging = PrintLook.JUDGING;
        double paper = hung.paper();
        Lab white = hung.pairing.white();
        double[] printed = reflectance(hung, NEUTRALS);
        double[] steps = reflectance(hung, proofs.shadowSteps(hung.view));
        List<Differences> tones = IntStream.range(0, printed.length)
            .mapToObj(l -> new Differences(l, judging.index(printed[l], paper), here.index(printed[l], paper))).toList();
        return new LightFigures(hung.light.luminance(paper), Light.JUDGING.luminance(paper), hung.screen.white(), here.ratio(hung.screen),
            here.apart(steps, paper), judging.apart(steps, paper), colourKept(hung, here, judging), here.settled(white),
            shown(here.beside(white, hung.screen)), shown(here.settled(white)), tones);
    }

    private List<Integer> shown(Lab lab) {
        char[] codes = {LabEncoding.V4.ofL(lab.l()), LabEncoding.V4.ofAb(lab.a()), LabEncoding.V4.ofAb(lab.b())};
        char[] rgb = proofs.transforms().get(new Recipe.FromLab(StandardSpaces.SRGB, Intent.RELATIVE)).apply(codes);
        return List.of(rgb[0] >> 8, rgb[1] >> 8, rgb[2] >> 8);
    }

    /** Y of what treated tones become in print, moves and all; never falling, as noise of the last digit may. */
    private double[] reflectance(Hung hung, char[] tones) {
        char[] printed = proofs.printedTones(hung.view, hung.pairing, hung.route, tones, true);
        double[] y = new double[tones.length / 3];
        for (int i = 0; i < y.length; i++) {
            y[i] = Math.max(i == 0 ? 0 : y[i - 1], Math.max(0, LabEncoding.V4.lab(printed, 3 * i).xyz()[1]));
        }
        return y;
    }

    /** Of the picture's colours, each once in a while; 1 where it has none. */
    private double colourKept(Hung hung, PrintLook here, PrintLook judging) {
        char[] lab = proofs.printed(hung.view, hung.pairing, hung.route, SIDE);
        int count = lab.length / 3;
        double all = 0;
        double kept = 0;
        for (int i = 0; i < count; i += Math.max(1, count / MOST_COLOURS)) {
            Lab print = LabEncoding.V4.lab(lab, 3 * i);
            double colourful = judging.appearance(print).colourfulness();
            if (colourful > LEAST_COLOURFUL) {
                all += colourful;
                kept += here.appearance(print).colourfulness();
            }
        }
        return all > 0 ? kept / all : 1;
    }

    /**
     * @param moves what is moved as it stands, its lightness curve and chroma such that the print looks in this light as it does in the
     *              judging light
     */
    record SuggestedForLight(List<Move> moves, String words) {
    }

    /** @param share 0.5 for half-way, 1 for all the way */
    SuggestedForLight suggestion(Hung hung, double share) {
        double[] now = reflectance(hung, NEUTRALS);
        List<Move> moves = hung.view.change().moves();
        List<Move> others = moves.stream().filter(m -> !(m instanceof LightnessCurve)).toList();
        double[] plain = reflectance(hung.with(hung.view.moved(others)), NEUTRALS);
        PrintLook here = hung.look();
        double[] curve = LightCompensation.curve(PrintLook.JUDGING, here, now, plain, share);
        List<Move> next = Move.with(others, new LightnessCurve(
            Arrays.stream(POINTS).mapToObj(l -> new LightnessCurve.TonePoint(l, Math.round(10 * curve[(int) l]) / 10.0)).toList()));
        double kept = colourKept(hung, here, PrintLook.JUDGING);
        double factor = Math.min(MOST_CHROMA, 1 + share * (1 / Math.max(0.1, kept) - 1));
        ChromaMoves chroma = Move.of(ChromaMoves.class, moves).orElse(ChromaMoves.all(1));
        next = Move.with(next, new ChromaMoves(Math.round(100 * Math.min(2, chroma.chroma() * factor)) / 100.0, chroma.byHue()));
        return new SuggestedForLight(next, Move.words(next));
    }
}
