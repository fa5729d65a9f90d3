package wistel.core.tone;

import java.util.Arrays;
import java.util.SplittableRandom;
import wistel.core.colour.LabEncoding;

/**
 * A picture of our own to judge a monochrome setting by eye: ramps, fine steps in shadows and lights, two round targets of near black and
 * near white, a lit scene, and tones like those of skin and of leaves. Its numbers are L*, 65535 being white.
 */
public final class TonePage {
    public static final int WIDTH = 1800;
    public static final int HEIGHT = 2300;
    public static final double WIDTH_MM = 180;
    private static final int GAP = 30;
    private static final int STRIP = 130;
    private static final int STEPS = 21;
    private static final double NEAR = 10;
    private static final int TARGET = 560;
    private static final int SCENE_TOP = 1290;
    private static final double[] LIGHT = unit(-0.5, 0.75, -0.6);
    /** Middle x, y, z and radius; the floor is y = 0. */
    private static final double[][] BALLS = {{-1.2, 1, 5.2, 1}, {0.75, 0.62, 4.1, 0.62}, {2.1, 0.35, 4.6, 0.35}, {-0.2, 0.25, 3.4, 0.25}};
    private static final double[] BALL_LIGHTNESS = {0.8, 0.45, 0.16, 0.95};

    private final double[] l = new double[WIDTH * HEIGHT];

    private TonePage() {
        Arrays.fill(l, 100);
        strip(0, x -> 100 * x);
        strip(1, x -> 100 * Math.min(STEPS - 1, Math.floor(x * STEPS)) / (STEPS - 1));
        strip(2, x -> NEAR * Math.min(STEPS - 1, Math.floor(x * STEPS)) / (STEPS - 1));
        strip(3, x -> 100 - NEAR + NEAR * Math.min(STEPS - 1, Math.floor(x * STEPS)) / (STEPS - 1));
        int top = 4 * (STRIP + GAP) + GAP / 2;
        target(WIDTH / 6, top + TARGET / 2, 0);
        target(WIDTH / 2, top + TARGET / 2, 100 - NEAR);
        textures(top);
        scene();
    }

    public static char[] picture() {
        double[] l = new TonePage().l;
        char[] gray = new char[l.length];
        for (int i = 0; i < gray.length; i++) {
            gray[i] = LabEncoding.V4.ofL(l[i]);
        }
        return gray;
    }

    private interface Along {
        double at(double share);
    }

    private void strip(int nth, Along tones) {
        int top = nth * (STRIP + GAP);
        for (int x = 0; x < WIDTH; x++) {
            double v = tones.at((double) x / (WIDTH - 1));
            for (int y = top; y < top + STRIP; y++) {
                l[y * WIDTH + x] = v;
            }
        }
    }

    /** Rings from its lightness on outwards, each with a darker and a lighter half, so that the last ring that shows is easily seen. */
    private void target(int cx, int cy, double from) {
        int radius = TARGET / 2 - 10;
        for (int y = cy - radius; y <= cy + radius; y++) {
            for (int x = cx - radius; x <= cx + radius; x++) {
                double r = Math.hypot(x - cx, y - cy) / radius;
                if (r < 1) {
                    double sector = Math.floor((Math.atan2(y - cy, x - cx) / Math.PI + 1) * 8) % 2;
                    l[y * WIDTH + x] = from + NEAR * Math.floor(10 * r) / 10 + sector * NEAR / 10;
                }
            }
        }
    }

    /** Smooth, skin-like tones above; leaf-like ones below. */
    private void textures(int top) {
        int left = WIDTH * 2 / 3 + GAP;
        double[][] pores = noise(64, 11);
        double[][] leaves = noise(64, 23);
        int half = TARGET / 2;
        for (int y = 0; y < half - GAP / 2; y++) {
            for (int x = left; x < WIDTH; x++) {
                double u = (x - left) / (double) (WIDTH - left);
                double v = y / (double) half;
                double form = Math.exp(-3.5 * ((u - 0.42) * (u - 0.42) + (v - 0.4) * (v - 0.4)));
                l[(top + y) * WIDTH + x] = 46 + 32 * form + 6 * (u - 0.5) + 1.6 * (smooth(pores, 22 * u, 22 * v) - 0.5);
                double leaf = 0.6 * smooth(leaves, 9 * u, 9 * v) + 0.3 * smooth(leaves, 23 * u + 7, 19 * v)
                    + 0.1 * smooth(leaves, 51 * u, 47 * v + 3);
                double vein = Math.abs(Math.sin(26 * u + 9 * smooth(leaves, 5 * u, 5 * v)));
                l[(top + half + GAP / 2 + y) * WIDTH + x] = 12 + 58 * Math.pow(leaf, 1.6) + (vein < 0.08 ? 7 : 0);
            }
        }
    }

    private static double[][] noise(int side, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double[][] noise = new double[side][side];
        for (double[] row : noise) {
            Arrays.setAll(row, i -> random.nextDouble());
        }
        return noise;
    }

    private static double smooth(double[][] noise, double x, double y) {
        int side = noise.length;
        int x0 = (int) Math.floor(x);
        int y0 = (int) Math.floor(y);
        double fx = x - x0;
        double fy = y - y0;
        fx = fx * fx * (3 - 2 * fx);
        fy = fy * fy * (3 - 2 * fy);
        double upper = noise[y0 % side][x0 % side] * (1 - fx) + noise[y0 % side][(x0 + 1) % side] * fx;
        double lower = noise[(y0 + 1) % side][x0 % side] * (1 - fx) + noise[(y0 + 1) % side][(x0 + 1) % side] * fx;
        return upper * (1 - fy) + lower * fy;
    }

    /** Balls on a floor before a wall, by rays. */
    private void scene() {
        for (int y = SCENE_TOP; y < HEIGHT; y++) {
            for (int x = 0; x < WIDTH; x++) {
                double[] ray = unit((x - WIDTH / 2.0) / 900, -(y - SCENE_TOP - 380) / 900.0, 1);
                l[y * WIDTH + x] = 100 * Math.cbrt(Math.max(0, light(new double[] {0, 1.1, 0}, ray)));
            }
        }
    }

    private static double light(double[] from, double[] ray) {
        int ball = -1;
        double nearest = Double.POSITIVE_INFINITY;
        for (int i = 0; i < BALLS.length; i++) {
            double t = hit(from, ray, BALLS[i]);
            if (t < nearest) {
                nearest = t;
                ball = i;
            }
        }
        if (ball >= 0) {
            double[] at = along(from, ray, nearest);
            double[] normal = unit(at[0] - BALLS[ball][0], at[1] - BALLS[ball][1], at[2] - BALLS[ball][2]);
            double[] mirrored = along(ray, normal, -2 * dot(ray, normal));
            return BALL_LIGHTNESS[ball] * (0.05 + 0.12 * (1 + normal[1]) / 2 + 0.75 * Math.max(0, dot(normal, LIGHT)))
                + 0.5 * Math.pow(Math.max(0, dot(mirrored, LIGHT)), 60);
        }
        if (ray[1] < -0.01 && -from[1] / ray[1] * ray[2] < 9) {
            double[] at = along(from, ray, -from[1] / ray[1]);
            return 0.55 * (0.05 + 0.95 * lit(at)) / (1 + 0.03 * at[2] * at[2]);
        }
        return 0.62 * Math.exp(-1.1 * Math.max(0, ray[1] + 0.12)) * (0.55 + 0.45 * (0.6 - ray[0]));
    }

    /** Share of a wide light that isn't covered. */
    private static double lit(double[] at) {
        int open = 0;
        for (int i = 0; i < 9; i++) {
            double[] towards = unit(LIGHT[0] + 0.09 * (i % 3 - 1), LIGHT[1], LIGHT[2] + 0.09 * (i / 3 - 1));
            boolean covered = false;
            for (double[] ball : BALLS) {
                covered |= hit(at, towards, ball) < Double.POSITIVE_INFINITY;
            }
            open += covered ? 0 : 1;
        }
        return open / 9.0;
    }

    private static double hit(double[] from, double[] ray, double[] ball) {
        double[] to = {ball[0] - from[0], ball[1] - from[1], ball[2] - from[2]};
        double b = dot(to, ray);
        double inside = b * b - dot(to, to) + ball[3] * ball[3];
        double t = b - Math.sqrt(Math.max(0, inside));
        return inside > 0 && t > 1e-6 ? t : Double.POSITIVE_INFINITY;
    }

    private static double[] along(double[] from, double[] ray, double t) {
        return new double[] {from[0] + t * ray[0], from[1] + t * ray[1], from[2] + t * ray[2]};
    }

    private static double dot(double[] a, double[] b) {
        return a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
    }

    private static double[] unit(double x, double y, double z) {
        double n = Math.sqrt(x * x + y * y + z * z);
        return new double[] {x / n, y / n, z / n};
    }
}
