package wistel.core.icc.gamut;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;

/**
 * A picture's colours as few points in L*a*b*: the means of those that fall into one cell, the most frequent cells first.
 *
 * @param colours at most as many as were asked for
 * @param outside share of all pixels that a paper can't hold, 0 to 1
 */
public record PictureColours(List<ColourPoint> colours, double outside) {
    /** L*a*b* units along each side of a cell. */
    private static final double CELL = 5;

    /**
     * @param share   of all pixels, 0 to 1
     * @param outside of those the share that the paper can't hold, 0 to 1
     */
    public record ColourPoint(Lab lab, double share, double outside) {
    }

    public PictureColours {
        colours = List.copyOf(colours);
    }

    private static final class Cell {
        private double l;
        private double a;
        private double b;
        private int count;
        private int outside;

        private void add(Lab lab, boolean out) {
            l += lab.l();
            a += lab.a();
            b += lab.b();
            count++;
            outside += out ? 1 : 0;
        }

        private ColourPoint colour(double all) {
            return new ColourPoint(new Lab(l / count, a / count, b / count), count / all, (double) outside / count);
        }
    }

    /**
     * @param codes  L*a*b* of a picture's pixels, coded as {@link LabEncoding#V4}
     * @param causes why each can't be held: ordinals of {@link GamutCheck.Cause}
     * @param most   colours that are told
     * @throws IllegalArgumentException when there isn't one cause for each pixel
     */
    public static PictureColours of(char[] codes, byte[] causes, int most) {
        if (codes.length != 3 * causes.length) {
            throw new IllegalArgumentException(causes.length + " causes for " + codes.length / 3 + " pixels");
        }
        Map<Integer, Cell> cells = new HashMap<>();
        int outside = 0;
        for (int p = 0; p < causes.length; p++) {
            Lab lab = LabEncoding.V4.lab(codes, 3 * p);
            boolean out = causes[p] != GamutCheck.Cause.INSIDE.ordinal();
            outside += out ? 1 : 0;
            int key = (place(lab.l()) << 16) + (place(lab.a() + 128) << 8) + place(lab.b() + 128);
            cells.computeIfAbsent(key, k -> new Cell()).add(lab, out);
        }
        double all = Math.max(1, causes.length);
        List<Cell> frequent = new ArrayList<>(cells.entrySet().stream()
            .sorted(Comparator.<Map.Entry<Integer, Cell>>comparingInt(e -> -e.getValue().count).thenComparingInt(Map.Entry::getKey))
            .map(Map.Entry::getValue).toList());
        return new PictureColours(frequent.stream().limit(most).map(c -> c.colour(all)).toList(), outside / all);
    }

    private static int place(double value) {
        return (int) (value / CELL);
    }
}
