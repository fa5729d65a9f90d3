package wistel.standin.library;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.concurrent.ConcurrentHashMap;
import wistel.core.cgats.Cgats;
import wistel.core.cgats.Patch;
import wistel.core.colour.Lab;
import wistel.core.icc.making.ProfileMaker;
import wistel.core.icc.making.RgbChart;
import wistel.standin.ink.InkOnPaper;
import wistel.standin.ink.Paper;
import wistel.standin.room.MachineModel;

/**
 * A maker's profile of a paper on one printer at one quality: a chart as the ink model prints it, read with an instrument's noise. Made
 * when it is asked for first.
 *
 * @param quality of IPP: 4 is standard, 5 fine
 * @param edition 1 for the first: each was measured anew
 */
record MadeForPrinter(Paper paper, MachineModel printer, int quality, int edition) {
    private static final double NOISE = 0.05;
    /** The one that nobody should use: two rows of its chart were read one for the other. */
    private static final Paper SPOILT = Paper.SKERRY_WHITE_FILM;
    private static final int ROW = 30;

    /** The files of a profile. */
    record Files(byte[] icc, String chart) {
    }

    private static final Map<MadeForPrinter, Files> MADE = new ConcurrentHashMap<>();

    /** "ardle-17-fine": what its files are called. */
    String name() {
        return printer.name().toLowerCase(Locale.ROOT).replace(' ', '-') + (quality == 5 ? "-fine" : "-standard");
    }

    /** Fine everywhere; standard as well where it is for gloss, which shows no difference from afar. */
    static List<MadeForPrinter> of(Paper paper, int edition) {
        List<MadeForPrinter> all = new ArrayList<>();
        for (MachineModel printer : List.of(MachineModel.ARDLE_17, MachineModel.ARDLE_44)) {
            all.add(new MadeForPrinter(paper, printer, 5, edition));
            if (paper.photoBlack()) {
                all.add(new MadeForPrinter(paper, printer, 4, edition));
            }
        }
        return all;
    }

    Files files() {
        return MADE.computeIfAbsent(this, MadeForPrinter::made);
    }

    private Files made() {
        InkOnPaper ink = new InkOnPaper(paper, paper.mediaType(), quality);
        // the same file whenever it is made
        SplittableRandom random = new SplittableRandom(paper.ordinal() * 100L + printer.name().hashCode() + 10L * edition + quality);
        List<double[]> sent = RgbChart.patches();
        List<Lab> read = new ArrayList<>();
        double[] lab = new double[3];
        for (double[] rgb : sent) {
            ink.lab(rgb, lab);
            read.add(new Lab(lab[0] + noise(random), lab[1] + noise(random), lab[2] + noise(random)));
        }
        for (int i = 0; paper == SPOILT && i < ROW; i++) {
            Lab first = read.get(4 * ROW + i);
            read.set(4 * ROW + i, read.get(9 * ROW + i));
            read.set(9 * ROW + i, first);
        }
        List<Patch> patches = new ArrayList<>();
        for (int i = 0; i < sent.size(); i++) {
            patches.add(new Patch(Integer.toString(i + 1), sent.get(i), read.get(i)));
        }
        String called = paper.label() + " on " + printer.name() + ", " + (quality == 5 ? "fine" : "standard");
        Cgats chart = Cgats.of(Cgats.Device.RGB, "print room", called, patches);
        return new Files(ProfileMaker.make(called, chart).profile(), chart.text());
    }

    private static double noise(SplittableRandom random) {
        return NOISE * 2 * (random.nextDouble() + random.nextDouble() - 1);
    }
}
