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
import wistel.core.sheet.Rect;

/**
 * A step wedge: neutral steps from bare paper to full black, each as often as it is repeated, on a field of its own with a white rim.
 *
 * @param scattered in an order mixed by the wedge's number, so that a fault along the sheet isn't taken for one of the scale; else a ramp
 * @param number    that finds it again
 */
public record Wedge(int steps, int repeats, boolean scattered, int number) {
    public static final List<Integer> STEPS = List.of(21, 33, 51, 101, 256);
    private static final int MOST_PATCHES = 1024;
    private static final Pattern LABEL = Pattern.compile("W(\\d{1,9})-([1-9]\\d{0,4})");

    /** @throws InvalidRequest when no such wedge can be */
    public Wedge {
        if (!STEPS.contains(steps) || repeats < 1 || repeats * steps > MOST_PATCHES || number < 0) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "A wedge of " + steps + " steps, " + repeats + " of each, can't be.", "Take 21, 33, 51, 101 or 256 steps, at most " + MOST_PATCHES + " patches.");
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

    /** Columns of the patches; rows follow. */
    public int columns() {
        return (int) Math.ceil(Math.sqrt(patches() * 1.5));
    }

    public int rows() {
        return (patches() + columns() - 1) / columns();
    }

    /** Where a patch lies in a field of this size, without its rim; in the field's own units. */
    public Rect place(int patch, double width, double height) {
        double w = width / columns();
        double h = height / rows();
        double rim = 0.06 * Math.min(w, h);
        return new Rect(patch % columns() * w + rim, patch / columns() * h + rim, w - 2 * rim, h - 2 * rim);
    }

    /** The wedge as a picture of grays, white 65535, black 0, rows from the top. */
    public char[] picture(int width, int height) {
        char[] gray = new char[width * height];
        Arrays.fill(gray, (char) 65535);
        List<Integer> order = order();
        for (int i = 0; i < order.size(); i++) {
            Rect at = place(i, width, height);
            char v = (char) Math.round(65535 * (1 - depth(order.get(i))));
            for (int y = (int) Math.round(at.y()); y < Math.round(at.bottom()); y++) {
                Arrays.fill(gray, y * width + (int) Math.round(at.x()), y * width + (int) Math.round(at.right()), v);
            }
        }
        return gray;
    }
}
