package wistel.core.tone;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import wistel.core.fault.InvalidRequest;
import wistel.core.pictures.Crop;

/**
 * A step wedge: neutral steps from bare paper to full black, each as often as it is repeated, with white rims, on a field with codes in its
 * corners.
 *
 * @param scattered in an order mixed by the wedge's number, so that a fault along the sheet isn't taken for one of the scale; else a ramp
 * @param number    that finds it again
 */
public record Wedge(int steps, int repeats, boolean scattered, int number) {
    public static final List<Integer> STEPS = List.of(21, 33, 51, 101, 256);
    private static final int MOST_PATCHES = 520;
    private static final int PIXELS_PER_MM = 10;
    private static final Pattern LABEL = Pattern.compile("W(\\d{1,9})-([1-9]\\d{0,4})");

    /** @throws InvalidRequest when no such wedge can be */
    public Wedge {
        if (!STEPS.contains(steps) || repeats < 1 || repeats * steps > MOST_PATCHES || number < 0) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE,
                "A wedge of " + steps + " steps, " + repeats + " of each, can't be.",
                "Take 21, 33, 51, 101 or 256 steps, at most " + MOST_PATCHES + " patches.");
        }
    }

    public int patches() {
        return steps * repeats;
    }

    /** The step of each patch, 0 for bare paper. */
    public List<Integer> order() {
        List<Integer> order = new ArrayList<>();
        for (int r = 0; r < repeats; r++) {
            order.addAll(IntStream.range(0, steps).boxed().toList());
        }
        if (scattered) {
            Collections.shuffle(order, new Random(number));
        }
        return order;
    }

    /** Depth of a step: 0 bare paper, 1 full black. */
    public double depth(int step) {
        return step / (steps - 1.0);
    }

    /** The label of a patch in reading files: the wedge's number and the patch's, from 1. */
    public String id(int patch) {
        return "W" + number + "-" + (patch + 1);
    }

    /** The number of the wedge that a label names. */
    static Optional<Integer> numberOf(String id) {
        Matcher label = LABEL.matcher(id);
        return label.matches() ? Optional.of(Integer.parseInt(label.group(1))) : Optional.empty();
    }

    /** The patch that a label names, from 0. */
    static Optional<Integer> patchOf(String id) {
        Matcher label = LABEL.matcher(id);
        return label.matches() ? Optional.of(Integer.parseInt(label.group(2)) - 1) : Optional.empty();
    }

    /** The field on which it is drawn: codes in its corners, the patches between them. In millimetres at its usual size. */
    public static final double WIDTH_MM = 180;
    public static final double HEIGHT_MM = 158;
    private static final double CODE_MM = 21;
    private static final double GRID_TOP_MM = 29;
    private static final double GRID_MM = 100;
    private static final double RIM = 0.06;

    /** Columns of the patches; rows follow. */
    private int columns() {
        return (int) Math.ceil(Math.sqrt(patches() * WIDTH_MM / GRID_MM));
    }

    private int rows() {
        return (patches() + columns() - 1) / columns();
    }

    /** Where a patch lies on the field without its white rim, in mm at the usual size. */
    public Crop place(int patch) {
        double w = WIDTH_MM / columns();
        double h = GRID_MM / rows();
        double rim = RIM * Math.min(w, h);
        return new Crop(patch % columns() * w + rim, GRID_TOP_MM + patch / columns() * h + rim, w - 2 * rim, h - 2 * rim);
    }

    /** Where a corner's code lies; see {@link CornerCode}. */
    static Crop codePlace(int corner) {
        return new Crop(corner % 2 == 0 ? 0 : WIDTH_MM - CODE_MM, corner < 2 ? 0 : HEIGHT_MM - CODE_MM, CODE_MM, CODE_MM);
    }

    public static int pictureWidth() {
        return (int) (WIDTH_MM * PIXELS_PER_MM);
    }

    public static int pictureHeight() {
        return (int) (HEIGHT_MM * PIXELS_PER_MM);
    }

    /** The field as a picture of grays whose numbers are L*, white 65535, rows from the top. */
    public char[] picture() {
        int width = pictureWidth();
        char[] gray = new char[width * pictureHeight()];
        Arrays.fill(gray, (char) 65535);
        List<Integer> order = order();
        for (int i = 0; i < order.size(); i++) {
            fill(gray, place(i), (char) Math.round(65535 * (1 - depth(order.get(i)))));
        }
        for (int corner = 0; corner < 4; corner++) {
            boolean[][] modules = new CornerCode(number, corner).modules();
            Crop at = codePlace(corner);
            double module = CODE_MM / CornerCode.MODULES;
            for (int y = 0; y < CornerCode.MODULES; y++) {
                for (int x = 0; x < CornerCode.MODULES; x++) {
                    if (modules[y][x]) {
                        fill(gray, new Crop(at.x() + x * module, at.y() + y * module, module, module), (char) 0);
                    }
                }
            }
        }
        return gray;
    }

    private static void fill(char[] gray, Crop mm, char value) {
        int left = pixel(mm.x());
        int right = pixel(mm.x() + mm.width());
        for (int y = pixel(mm.y()); y < pixel(mm.y() + mm.height()); y++) {
            Arrays.fill(gray, y * pictureWidth() + left, y * pictureWidth() + right, value);
        }
    }

    private static int pixel(double mm) {
        return (int) Math.round(mm * PIXELS_PER_MM);
    }
}
