package wistel.core.rendition;

import java.util.Arrays;
import java.util.function.DoubleUnaryOperator;
import wistel.core.pictures.SameContent;

/**
 * A change of a part of a picture, by a weight from 0 to 1 for each of its places: the colour is the blend of what it is with and without
 * the change, so that tones keep their order at every weight. Places are shares of the upright picture's width and height before it is
 * straightened; {@link Edges} alone follow the crop. Weights depend on nothing but the place: the print has the same as any preview.
 */
public sealed interface LocalMove {
    LocalChange change();

    /** False to print as if it weren't there. */
    boolean on();

    /** The same over the same content of another file of the picture; the edges stay with what is printed. */
    LocalMove in(SameContent content);

    /** "a place, lighter by 12". */
    String words();

    /** What a place of a picture weighs, 0 to 1: shares of its width and height. Safe for any number of threads. */
    interface Weight {
        double at(double x, double y);

        /**
         * What places in a row weigh.
         *
         * @param from the first of them, and how they go on
         * @param out  gets as many as {@code count}, from {@code at} on
         */
        default void row(PicturePlaces from, float[] out, int at, int count) {
            for (int i = 0; i < count; i++) {
                out[at + i] = (float) at(from.x() + i * from.acrossX(), from.y() + i * from.acrossY());
            }
        }
    }

    /**
     * The weights of a picture's places.
     *
     * @param aspect width over height of the picture
     * @param crop   what is printed of it
     */
    Weight weight(double aspect, PrintFrame crop);

    /**
     * What is printed of a picture, in shares of its width and height.
     *
     * @param degrees that the picture is turned by about its middle before this is cut out of it
     */
    record PrintFrame(double x, double y, double width, double height, double degrees) {
        public static final PrintFrame WHOLE = new PrintFrame(0, 0, 1, 1, 0);

        public PrintFrame {
            if (!(width > 0 && height > 0) || !Double.isFinite(x + y + width + height + degrees)) {
                throw new IllegalArgumentException("a frame of " + width + " x " + height);
            }
        }

        /** Where a place of the picture lies in it, in shares of it. */
        public double[] share(double atX, double atY, double aspect) {
            double cos = Math.cos(Math.toRadians(degrees));
            double sin = Math.sin(Math.toRadians(degrees));
            double fromX = (atX - 0.5) * aspect;
            double fromY = atY - 0.5;
            return new double[] {((fromX * cos - fromY * sin) / aspect + 0.5 - x) / width, (fromX * sin + fromY * cos + 0.5 - y) / height};
        }
    }

    /** As near to a share as one may lie beside the picture. */
    private static double near(double share) {
        return Math.max(-1, Math.min(2, share));
    }

    /** From 0 to 1 with no slope and no bend at either end, so that no rim shows (K. Perlin, "Improving noise", SIGGRAPH 2002). */
    static double smooth(double t) {
        double u = Math.max(0, Math.min(1, t));
        return Math.min(1, u * u * u * (u * (6 * u - 15) + 10));
    }

    /**
     * From the edges of what is printed inwards.
     *
     * @param reach how far in, as a share of the way to the middle, 0.02 to 1
     * @param round 0 along the edges, 1 as an ellipse
     * @param soft  share of the reach over which it fades, 0.05 to 1
     */
    record Edges(double reach, double round, double soft, LocalChange change, boolean on) implements LocalMove {
        /** @throws wistel.core.fault.InvalidRequest when a number is out of its range */
        public Edges {
            Ranges.within("reach", reach, 0.02, 1);
            Ranges.within("roundness", round, 0, 1);
            Ranges.within("softness", soft, 0.05, 1);
        }

        @Override
        public LocalMove in(SameContent content) {
            return this;
        }

        @Override
        public String words() {
            return "edges " + change.words();
        }

        @Override
        public Weight weight(double aspect, PrintFrame crop) {
            double cos = Math.cos(Math.toRadians(crop.degrees));
            double sin = Math.sin(Math.toRadians(crop.degrees));
            // a norm between that of the rectangle and that of the ellipse: 1 on the edge
            double power = 2 + 14 * (1 - round) * (1 - round);
            Table powered = new Table(FARTHEST, v -> Math.pow(v, power));
            double inner = 1 - reach;
            double begins = Math.pow(inner, power);
            double ends = Math.pow(inner + reach * soft, power);
            DoubleUnaryOperator root = out -> smooth((Math.pow(out, 1 / power) - inner) / (reach * soft));
            Table faded = new Table(ends, root);
            // nearer to the middle the root is too steep for straight lines
            double steep = 256 * ends / Table.STEPS;
            return new Weight() {
                @Override
                public double at(double x, double y) {
                    double fromX = (x - 0.5) * aspect;
                    double fromY = y - 0.5;
                    double u = Math.abs(((fromX * cos - fromY * sin) / aspect + 0.5 - crop.x) / (crop.width / 2) - 1);
                    double v = Math.abs((fromX * sin + fromY * cos + 0.5 - crop.y) / (crop.height / 2) - 1);
                    return u >= FARTHEST || v >= FARTHEST ? 1 : faded(powered.at(u) + powered.at(v));
                }

                private double faded(double out) {
                    return out <= begins ? 0
                        : out >= ends ? 1 : out < steep ? root.applyAsDouble(out) : Math.min(1, faded.at(out));
                }

                /** Of a picture that isn't straightened, a row has one distance from the middle up or down. */
                @Override
                public void row(PicturePlaces from, float[] out, int at, int count) {
                    double v = Math.abs((from.y() - 0.5 + 0.5 - crop.y) / (crop.height / 2) - 1);
                    if (crop.degrees != 0 || from.acrossY() != 0 || v >= FARTHEST) {
                        Weight.super.row(from, out, at, count);
                        return;
                    }
                    double down = powered.at(v);
                    // from both ends inwards, as far as there is any weight
                    int left = 0;
                    for (double w = 1; left < count && w > 0; left++) {
                        w = faded(from.x() + left * from.acrossX(), down);
                        out[at + left] = (float) w;
                    }
                    int right = count - 1;
                    for (double w = 1; right >= left && w > 0; right--) {
                        w = faded(from.x() + right * from.acrossX(), down);
                        out[at + right] = (float) w;
                    }
                    Arrays.fill(out, at + left, at + Math.max(left, right + 1), 0);
                }

                private double faded(double x, double down) {
                    double u = Math.abs(((x - 0.5) * aspect / aspect + 0.5 - crop.x) / (crop.width / 2) - 1);
                    return u >= FARTHEST ? 1 : faded(powered.at(u) + down);
                }
            };
        }

        /** As far from the middle, in half sides of what is printed, any place weighs all. */
        private static final double FARTHEST = 1.5;

        /** A function of 0 to an end, by straight lines between enough places. */
        private static final class Table {
            private static final int STEPS = 8192;
            private final double[] values = new double[STEPS + 2];
            private final double perStep;

            private Table(double end, DoubleUnaryOperator function) {
                perStep = STEPS / end;
                for (int i = 0; i < values.length; i++) {
                    values[i] = function.applyAsDouble(i / perStep);
                }
            }

            private double at(double v) {
                double place = v * perStep;
                int step = (int) place;
                return values[step] + (place - step) * (values[step + 1] - values[step]);
            }
        }
    }

    /**
     * An ellipse.
     *
     * @param x, y    of its middle; it may lie outside of the picture
     * @param across  half its width in shares of the picture's width, before it is turned
     * @param down    half its height in shares of the picture's height
     * @param degrees that it is turned by, clockwise
     * @param soft    share of the way from the rim inwards over which it fades, 0.05 to 1
     */
    record Place(double x, double y, double across, double down, double degrees, double soft, LocalChange change, boolean on)
        implements
            LocalMove {
        public static final double SMALLEST = 0.005;
        private static final double LARGEST = 3;

        /** @throws wistel.core.fault.InvalidRequest when a number is out of its range */
        public Place {
            Ranges.within("place", x, -1, 2);
            Ranges.within("place", y, -1, 2);
            Ranges.within("size of a place", across, SMALLEST, LARGEST);
            Ranges.within("size of a place", down, SMALLEST, LARGEST);
            Ranges.within("angle", degrees, -180, 180);
            Ranges.within("softness", soft, 0.05, 1);
        }

        @Override
        public LocalMove in(SameContent content) {
            return new Place(near(content.x(x)), near(content.y(y)), Math.max(SMALLEST, Math.min(LARGEST, content.across(across))),
                Math.max(SMALLEST, Math.min(LARGEST, content.down(down))), degrees, soft, change, on);
        }

        @Override
        public String words() {
            return "a place " + change.words();
        }

        @Override
        public Weight weight(double aspect, PrintFrame crop) {
            double cos = Math.cos(Math.toRadians(degrees));
            double sin = Math.sin(Math.toRadians(degrees));
            return new Weight() {
                @Override
                public double at(double atX, double atY) {
                    double dx = (atX - x) * aspect;
                    double dy = atY - y;
                    double u = (dx * cos + dy * sin) / (across * aspect);
                    double v = (-dx * sin + dy * cos) / down;
                    double square = u * u + v * v;
                    return square >= 1 ? 0 : smooth((1 - Math.sqrt(square)) / soft);
                }

                /** Only where the row passes through the ellipse. */
                @Override
                public void row(PicturePlaces from, float[] out, int at, int count) {
                    double dx = (from.x() - x) * aspect;
                    double dy = from.y() - y;
                    double u = (dx * cos + dy * sin) / (across * aspect);
                    double v = (-dx * sin + dy * cos) / down;
                    double nextU = (from.acrossX() * aspect * cos + from.acrossY() * sin) / (across * aspect);
                    double nextV = (-from.acrossX() * aspect * sin + from.acrossY() * cos) / down;
                    double step = nextU * nextU + nextV * nextV;
                    double middle = -(u * nextU + v * nextV) / step;
                    double nearest = u * u + v * v - middle * middle * step;
                    double half = Math.sqrt(Math.max(0, 1 - nearest) / step);
                    // a pixel either way for what is lost to rounding
                    int first = (int) Math.max(0, Math.min(count, Math.floor(middle - half) - 1));
                    int end = (int) Math.max(first, Math.min(count, Math.ceil(middle + half) + 2));
                    Arrays.fill(out, at, at + first, 0);
                    for (int i = first; i < end; i++) {
                        out[at + i] = (float) at(from.x() + i * from.acrossX(), from.y() + i * from.acrossY());
                    }
                    Arrays.fill(out, at + end, at + count, 0);
                }
            };
        }
    }

    /** Full on one side of a line, gone on the other side of a second one: from the first point to the second it fades. */
    record Slope(double fromX, double fromY, double toX, double toY, LocalChange change, boolean on) implements LocalMove {
        private static final double SHORTEST = 0.005;

        /** @throws wistel.core.fault.InvalidRequest when a number is out of its range, or both points are one */
        public Slope {
            for (double place : new double[] {fromX, fromY, toX, toY}) {
                Ranges.within("place", place, -1, 2);
            }
            if (Math.hypot(toX - fromX, toY - fromY) < SHORTEST) {
                throw Ranges.curve("A slope of no length would be a hard edge.", "Draw it from where it is full to where it is gone.");
            }
        }

        @Override
        public LocalMove in(SameContent content) {
            double atX = near(content.x(fromX));
            double atY = near(content.y(fromY));
            double x = near(content.x(toX));
            double y = near(content.y(toY));
            return Math.hypot(x - atX, y - atY) < SHORTEST ? this : new Slope(atX, atY, x, y, change, on);
        }

        @Override
        public String words() {
            return "a slope " + change.words();
        }

        @Override
        public Weight weight(double aspect, PrintFrame crop) {
            double dx = (toX - fromX) * aspect;
            double dy = toY - fromY;
            double square = dx * dx + dy * dy;
            return (x, y) -> smooth(1 - ((x - fromX) * aspect * dx + (y - fromY) * dy) / square);
        }
    }
}
