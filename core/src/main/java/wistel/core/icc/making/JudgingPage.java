package wistel.core.icc.making;

import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;

/**
 * A page of our own to judge a paper by eye before work is printed on it: neutral and toned ramps, hue circles at three lightnesses, numbered
 * steps in deep shadows and lights, tones like those of skin, fine lines and small type, and room for two pictures.
 */
public final class JudgingPage {
    public static final int WIDTH = 1800;
    public static final int HEIGHT = 2080;
    public static final double WIDTH_MM = 180;
    /** Pixels across and down of each picture; their upper left corners are at {@link #pictureLeft} and {@link #PICTURE_TOP}. */
    public static final int PICTURE_WIDTH = 885;
    public static final int PICTURE_HEIGHT = 590;
    public static final int PICTURE_TOP = 1490;

    private static final int STEPS = 12;
    private static final double TONED = 9;
    private static final double WARM = 75;
    private static final double COLD = 255;
    private static final double[] CIRCLES = {40, 60, 80};
    private static final int RADIUS = 240;
    private static final double VIVID = 72;
    private static final int FIGURE = 4;
    private static final Lab BLACK = new Lab(0, 0, 0);

    private final char[] lab = new char[3 * WIDTH * HEIGHT];

    private JudgingPage() {
        fill(0, 0, WIDTH, HEIGHT, (x, y) -> new Lab(100, 0, 0));
        fill(0, 0, WIDTH, 130, (x, y) -> new Lab(100 * x, 0, 0));
        fill(0, 150, WIDTH, 70, (x, y) -> toned(100 * x, WARM));
        fill(0, 230, WIDTH, 70, (x, y) -> toned(100 * x, COLD));
        for (int i = 0; i < CIRCLES.length; i++) {
            circle(300 + 600 * i, 330 + RADIUS, CIRCLES[i]);
        }
        steps(840, 0, 2);
        steps(1010, 100 - 2.0 * (STEPS - 1) / 2, 1);
        for (int i = 0; i < 10; i++) {
            double l = 28 + 6.2 * i;
            double chroma = 14 + 10 * Math.sin(Math.PI * (l - 20) / 80);
            double hue = Math.toRadians(46 + 2 * i);
            fill(180 * i, 1180, 180, 130, (x, y) -> new Lab(l, chroma * Math.cos(hue), chroma * Math.sin(hue)));
        }
        lines();
        type();
    }

    /** Its colours, 16-bit L*, a*, b* of version 4, row by row; white where pictures belong. */
    public static char[] lab() {
        return new JudgingPage().lab;
    }

    /** @param nth 0 or 1 */
    public static int pictureLeft(int nth) {
        return nth * (WIDTH - PICTURE_WIDTH);
    }

    private interface Colour {
        /** At shares of a rectangle. */
        Lab at(double x, double y);
    }

    private void fill(int left, int top, int width, int height, Colour colour) {
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                put(left + x, top + y, colour.at((double) x / (width - 1), (double) y / Math.max(1, height - 1)));
            }
        }
    }

    private void put(int x, int y, Lab colour) {
        int at = 3 * (y * WIDTH + x);
        lab[at] = LabEncoding.V4.ofL(colour.l());
        lab[at + 1] = LabEncoding.V4.ofAb(colour.a());
        lab[at + 2] = LabEncoding.V4.ofAb(colour.b());
    }

    /** Weighted to nothing at paper and black. */
    private static Lab toned(double l, double hueDegrees) {
        double chroma = TONED * 4 * l * (100 - l) / 1e4;
        double hue = Math.toRadians(hueDegrees);
        return new Lab(l, chroma * Math.cos(hue), chroma * Math.sin(hue));
    }

    private void circle(int cx, int cy, double l) {
        for (int y = -RADIUS; y <= RADIUS; y++) {
            for (int x = -RADIUS; x <= RADIUS; x++) {
                double r = Math.hypot(x, y) / RADIUS;
                if (r <= 1) {
                    double hue = Math.atan2(-y, x);
                    put(cx + x, cy + y, new Lab(l, VIVID * r * Math.cos(hue), VIVID * r * Math.sin(hue)));
                }
            }
        }
    }

    private void steps(int top, double from, double by) {
        int width = WIDTH / STEPS;
        for (int i = 0; i < STEPS; i++) {
            double l = from + by * i;
            fill(width * i, top, width, 110, (x, y) -> new Lab(l, 0, 0));
            write(Long.toString(Math.round(l)), width * i + 8, top + 118, FIGURE);
        }
    }

    /** Pairs of lines 1 to 5 pixels wide, upright and level. */
    private void lines() {
        int left = 0;
        for (int wide = 1; wide <= 5; wide++) {
            int pair = wide;
            fill(left, 1340, 80, 110, (x, y) -> Math.floor(x * 79 / pair) % 2 == 0 ? BLACK : new Lab(100, 0, 0));
            fill(left + 90, 1340, 80, 110, (x, y) -> Math.floor(y * 109 / pair) % 2 == 0 ? BLACK : new Lab(100, 0, 0));
            left += 190;
        }
    }

    private void type() {
        String words = "THE QUICK BROWN FOX JUMPS OVER THE LAZY DOG";
        int top = 1340;
        for (int size = 1; size <= 4; size++) {
            write(words, 980, top, size);
            top += SmallType.HEIGHT * size + 14;
        }
    }

    private void write(String words, int left, int top, int size) {
        for (int i = 0; i < words.length(); i++) {
            for (int y = 0; words.charAt(i) != ' ' && y < SmallType.HEIGHT * size; y++) {
                for (int x = 0; x < SmallType.WIDTH * size; x++) {
                    if (SmallType.dark(words.charAt(i), x / size, y / size)) {
                        put(left + i * (SmallType.WIDTH + 1) * size + x, top + y, BLACK);
                    }
                }
            }
        }
    }
}
