package wistel.core.pictures;

import java.util.Arrays;

/**
 * For each result place its first source place and the weights from there on, equally many for all places. Beyond the source's ends its
 * last samples are repeated.
 *
 * @param near     first of the nearest source places, which limit an enlarged value
 * @param limiting how many those are
 */
record Taps(int[] first, int count, float[] weights, int[] near, int limiting) {
    static final double LOBES = 3;
    /** Nearest source samples that limit an enlarged value. */
    static final int LIMITING = 4;

    /** The results along one side: where the whole begins in the source, source pixels a result, and which results. */
    record Side(double from, double step, int skipped, int results) {
    }

    static Taps of(Side side, int limit, double finest) {
        double step = side.step;
        int results = side.results;
        double scale = Math.max(step, finest);
        int count = Math.min(limit, 2 * (int) Math.ceil(LOBES * scale));
        int limiting = Math.min(LIMITING, count);
        int[] first = new int[results];
        int[] near = new int[results];
        float[] weights = new float[results * count];
        double[] w = new double[count];
        for (int i = 0; i < results; i++) {
            double centre = side.from + (side.skipped + i + 0.5) * step - 0.5;
            int low = (int) Math.floor(centre - LOBES * scale) + 1;
            int high = (int) Math.ceil(centre + LOBES * scale) - 1;
            int begin = Math.max(0, Math.min(limit - count, low));
            Arrays.fill(w, 0);
            double sum = 0;
            for (int s = low; s <= high; s++) {
                double weight = lanczos((s - centre) / scale);
                w[Math.max(0, Math.min(limit - 1, s)) - begin] += weight;
                sum += weight;
            }
            first[i] = begin;
            near[i] = Math.max(begin, Math.min(begin + count - limiting, (int) Math.floor(centre) - LIMITING / 2 + 1));
            for (int k = 0; k < count; k++) {
                weights[i * count + k] = (float) (w[k] / sum);
            }
        }
        return new Taps(first, count, weights, near, limiting);
    }

    /** Source places from the first result's first to the last one's last. */
    int span() {
        return first[first.length - 1] + count - first[0];
    }

    /** The kernel of three lobes (Duchon 1979). */
    static double lanczos(double x) {
        if (Math.abs(x) < 1e-9) {
            return 1;
        }
        if (Math.abs(x) >= LOBES) {
            return 0;
        }
        double p = Math.PI * x;
        return LOBES * Math.sin(p) * Math.sin(p / LOBES) / (p * p);
    }
}
