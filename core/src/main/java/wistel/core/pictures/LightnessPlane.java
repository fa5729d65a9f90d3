package wistel.core.pictures;

/** Lightness of a small picture, row by row. Its arrays are not copied: whoever hands one over leaves it alone. */
public record LightnessPlane(int width, int height, float[] values) {
    /** @throws IllegalArgumentException when it is empty, or has another number of values than its size says */
    public LightnessPlane {
        if (width < 1 || height < 1 || values.length != (long) width * height) {
            throw new IllegalArgumentException(width + " x " + height + " with " + values.length + " values");
        }
    }

    /** L* of a picture in codes of {@link wistel.core.colour.LabEncoding#V4}. */
    public static LightnessPlane ofLab(View lab) {
        float[] values = new float[lab.width() * lab.height()];
        for (int i = 0; i < values.length; i++) {
            values[i] = lab.pixels()[lab.channels() * i] * (100 / 65535f);
        }
        return new LightnessPlane(lab.width(), lab.height(), values);
    }

    /** Means over equal parts; where it grows, what lies nearest. */
    LightnessPlane resized(int toWidth, int toHeight) {
        float[] across = new float[toWidth * height];
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < toWidth; x++) {
                across[y * toWidth + x] = mean(values, y * width, 1, part(x, width, toWidth), part(x + 1, width, toWidth), width);
            }
        }
        float[] out = new float[toWidth * toHeight];
        for (int y = 0; y < toHeight; y++) {
            for (int x = 0; x < toWidth; x++) {
                out[y * toWidth + x] = mean(across, x, toWidth, part(y, height, toHeight), part(y + 1, height, toHeight), height);
            }
        }
        return new LightnessPlane(toWidth, toHeight, out);
    }

    private static double part(int nth, int of, int parts) {
        return Math.min(of, (double) nth * of / parts);
    }

    private static float mean(float[] of, int at, int step, double from, double to, int count) {
        double sum = 0;
        for (int i = (int) from; i < Math.min(count, Math.ceil(to)); i++) {
            sum += of[at + i * step] * (Math.min(i + 1, to) - Math.max(i, from));
        }
        return (float) (sum / (to - from));
    }

    /**
     * Its values less the mean about them, over how much they vary about them: what is left is structure, whatever was done to tones.
     *
     * @param reach  half a side of what counts as about, in pixels
     * @param floor  variation in the plane's units below which nothing is told
     */
    LightnessPlane structure(int reach, double floor) {
        double[] sums = new double[(width + 1) * (height + 1)];
        double[] squares = new double[sums.length];
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                double v = values[y * width + x];
                int at = (y + 1) * (width + 1) + x + 1;
                sums[at] = v + sums[at - 1] + sums[at - width - 1] - sums[at - width - 2];
                squares[at] = v * v + squares[at - 1] + squares[at - width - 1] - squares[at - width - 2];
            }
        }
        float[] out = new float[values.length];
        for (int y = 0; y < height; y++) {
            int top = Math.max(0, y - reach) * (width + 1);
            int bottom = Math.min(height, y + reach + 1) * (width + 1);
            for (int x = 0; x < width; x++) {
                int left = Math.max(0, x - reach);
                int right = Math.min(width, x + reach + 1);
                double count = (double) (right - left) * (bottom - top) / (width + 1);
                double mean = (sums[bottom + right] - sums[bottom + left] - sums[top + right] + sums[top + left]) / count;
                double square = (squares[bottom + right] - squares[bottom + left] - squares[top + right] + squares[top + left]) / count;
                out[y * width + x] = (float) ((values[y * width + x] - mean)
                    / Math.sqrt(Math.max(0, square - mean * mean) + floor * floor));
            }
        }
        return new LightnessPlane(width, height, out);
    }

    /** Between its pixels by straight lines; beyond its edge the edge. */
    double at(double x, double y) {
        double px = Math.max(0, Math.min(width - 1.0, x));
        double py = Math.max(0, Math.min(height - 1.0, y));
        int x0 = Math.min((int) px, Math.max(0, width - 2));
        int y0 = Math.min((int) py, Math.max(0, height - 2));
        int x1 = Math.min(width - 1, x0 + 1);
        int y1 = Math.min(height - 1, y0 + 1);
        double fx = px - x0;
        double fy = py - y0;
        return (1 - fy) * ((1 - fx) * values[y0 * width + x0] + fx * values[y0 * width + x1])
            + fy * ((1 - fx) * values[y1 * width + x0] + fx * values[y1 * width + x1]);
    }
}
