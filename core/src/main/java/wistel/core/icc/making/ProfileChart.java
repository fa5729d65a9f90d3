package wistel.core.icc.making;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.SplittableRandom;
import wistel.core.cgats.Cgats;
import wistel.core.cgats.Patch;
import wistel.core.fault.MeasurementException;

/**
 * A chart that a printer's profile is made from, in the order in which it is printed. Of an RGB printer: a full cube of levels; grays and
 * colours between, which take no part in making it and judge it; and some patches many times, which tell how evenly the printer prints. Of
 * a printer's monochrome: even grays, each twice. The order is random, so that what drifts over a sheet or a day falls on all colours
 * alike; the same seed gives the same chart.
 */
public record ProfileChart(List<ChartPatch> patches) {
    /** How many patches, and of what. */
    public enum Size {
        SMALL(300, 6, 24, 36), USUAL(900, 9, 40, 80), LARGE(1700, 11, 60, 160), GRAYS(105, 0, 51, 0);

        private final int count;
        private final int side;
        private final int grays;
        private final int heldBack;

        Size(int count, int side, int grays, int heldBack) {
            this.count = count;
            this.side = side;
            this.grays = grays;
            this.heldBack = heldBack;
        }

        public int count() {
            return count;
        }

        /** For a printer's own monochrome. */
        public boolean gray() {
            return side == 0;
        }
    }

    private static final int MORE = 100;

    /** What a patch is for. */
    public enum Role {
        CUBE, GRAY, HELD_BACK, REPEATED,
        /** Added where an earlier chart says too little. */
        MORE,
        /** Of a chart that a person brought. */
        OWN
    }

    /** @param rgb device values, 0 to 1 */
    public record ChartPatch(String id, double[] rgb, Role role) {
        public ChartPatch {
            rgb = rgb.clone();
        }

        @Override
        public double[] rgb() {
            return rgb.clone();
        }
    }

    /** Bare paper, black, a gray and the six corners: what is repeated. */
    private static double[][] repeated(int side) {
        double gray = side / 2 / (side - 1.0);
        return new double[][] {{1, 1, 1}, {0, 0, 0}, {gray, gray, gray}, {1, 0, 0}, {0, 1, 0}, {0, 0, 1}, {0, 1, 1}, {1, 0, 1}, {1, 1, 0}};
    }

    public ProfileChart {
        patches = List.copyOf(patches);
    }

    public static ProfileChart of(Size size, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<ChartPatch> all = new ArrayList<>();
        if (size.gray()) {
            for (int i = 0; i < size.count; i++) {
                double v = i < 2 * size.grays ? i % size.grays / (size.grays - 1.0) : 1;
                add(all, Role.GRAY, v, v, v);
            }
            return shuffled(all, random);
        }
        int top = size.side - 1;
        for (int i = 0; i < size.side * size.side * size.side; i++) {
            add(all, Role.CUBE, (double) (i / size.side / size.side) / top, (double) (i / size.side % size.side) / top,
                (double) (i % size.side) / top);
        }
        for (int i = 0; i < size.grays; i++) {
            double v = between((i + 0.5) / size.grays, top);
            add(all, Role.GRAY, v, v, v);
        }
        for (int i = 0; i < size.heldBack; i++) {
            add(all, Role.HELD_BACK, between(random.nextDouble(), top), between(random.nextDouble(), top),
                between(random.nextDouble(), top));
        }
        double[][] repeated = repeated(size.side);
        for (int i = 0; all.size() < size.count; i++) {
            double[] rgb = repeated[i % repeated.length];
            add(all, Role.REPEATED, rgb[0], rgb[1], rgb[2]);
        }
        return shuffled(all, random);
    }

    private static ProfileChart shuffled(List<ChartPatch> all, SplittableRandom random) {
        Collections.shuffle(all, new Random(random.nextLong()));
        return new ProfileChart(all);
    }

    /** A patch as it stands in a chart's file: RGB values, or one of gray, 0 to 1. */
    public static ProfileChart own(List<Cgats.Sent> patches) {
        return new ProfileChart(patches.stream().map(p -> {
            double[] v = p.device();
            return new ChartPatch(p.id(), v.length == 3 ? v : new double[] {v[0], v[0], v[0]}, Role.OWN);
        }).toList());
    }

    /** @throws MeasurementException when it can't be a chart for one profile: patches share a name, or it is of separate inks */
    public static ProfileChart own(String cgats) {
        Cgats.Sheet sheet = Cgats.sheet(cgats);
        if (sheet.device() == Cgats.Device.CMYK) {
            throw new MeasurementException(MeasurementException.Reason.CHART_OF_INKS,
                "This chart is one of separate inks; Wistel makes profiles for printers driven by RGB or gray.",
                "Bring an RGB or a gray chart.");
        }
        if (sheet.patches().stream().map(Cgats.Sent::id).distinct().count() < sheet.patches().size()) {
            throw new MeasurementException(MeasurementException.Reason.CHART_UNREADABLE, "Two patches of this chart have the same name.",
                "Give each a SAMPLE_ID of its own, or leave that column out.");
        }
        return own(sheet.patches());
    }

    /** Whether all of it is for a printer's own monochrome. */
    public boolean gray() {
        return patches.stream().allMatch(p -> PrinterModel.gray(p.rgb));
    }

    /**
     * A hundred patches for a profile that exists: where its chart says least, and some that it has, which tell whether the printer still
     * prints as it did.
     *
     * @param measured RGB patches that the profile was made from
     * @throws MeasurementException where no profile can be made from them
     */
    public static ProfileChart more(List<Patch> measured, long seed) {
        List<ChartPatch> all = new ArrayList<>();
        PrinterModel model = PrinterModel.of(PrinterModel.split(measured).used());
        for (int corner = 0; corner < 8; corner++) {
            add(all, Role.REPEATED, corner & 1, corner >> 1 & 1, corner >> 2);
        }
        UnsureColours.of(model, measured, MORE - all.size()).forEach(rgb -> add(all, Role.MORE, rgb[0], rgb[1], rgb[2]));
        return shuffled(all, new SplittableRandom(seed));
    }

    /** As a file that {@link #own(String)} reads. */
    public String text(String description) {
        return Cgats.sheet(description, patches.stream().map(p -> new Cgats.Sent(p.id, p.rgb)).toList());
    }

    private static void add(List<ChartPatch> all, Role role, double r, double g, double b) {
        all.add(new ChartPatch(role.name().charAt(0) + Integer.toString(all.size() + 1), new double[] {r, g, b}, role));
    }

    /** As near to a value as one lies that is well off the cube's levels. */
    private static double between(double value, int top) {
        double place = Math.min(value * top, top - 1e-9);
        double cell = Math.floor(place);
        return (cell + Math.max(0.25, Math.min(0.75, place - cell))) / top;
    }
}
