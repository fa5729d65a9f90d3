package wistel.core.icc.making;

import java.util.Arrays;

/** CIEDE2000 between measured patches and what a profile says of them. */
public record Quality(int patches, double mean, double percentile95, double max) {
    public static Quality of(double... differences) {
        double[] sorted = differences.clone();
        Arrays.sort(sorted);
        return sorted.length == 0 ? new Quality(0, 0, 0, 0)
            : new Quality(sorted.length, Arrays.stream(sorted).average().orElse(0), sorted[(int) (0.95 * (sorted.length - 1))],
                sorted[sorted.length - 1]);
    }
}
