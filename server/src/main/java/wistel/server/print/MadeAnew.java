package wistel.server.print;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.Locale;
import java.util.Optional;
import wistel.core.render.PageFingerprint;

/**
 * A page's file came out different when it was made again, by another version of the renderer.
 *
 * @param mean, most CIEDE2000 between what was laid down then and what the new file lays down; empty when nothing was kept of the old one
 */
public record MadeAnew(Optional<Double> mean, Optional<Double> most) {
    /** Mean CIEDE2000 above which a person must say that they want it all the same. */
    static final double SEEN = 0.2;

    static final MadeAnew UNKNOWN = new MadeAnew(Optional.empty(), Optional.empty());

    static MadeAnew of(PageFingerprint.Difference apart) {
        return new MadeAnew(Optional.of(apart.mean()), Optional.of(apart.most()));
    }

    /** How much was there to agree to; without a bound where it isn't known. */
    double extent() {
        return mean.orElse(Double.POSITIVE_INFINITY);
    }

    /** Whether it waits for a person who agreed to that much, or to nothing yet. */
    boolean beyond(Optional<Double> agreed) {
        return agreed.orElse(-1.0) < extent();
    }

    /** Whether it has to be confirmed. */
    @JsonProperty
    public boolean seen() {
        return extent() > SEEN;
    }

    public String words() {
        return mean
            .map(m -> "Made anew by a newer version of Wistel: mean ΔE " + rounded(m) + ", at most " + rounded(most.orElse(m))
                + " from the print of then.")
            .orElse("Made anew by a newer version of Wistel. How far it is from the print of then isn't known: nothing was kept of that.");
    }

    private static String rounded(double v) {
        return String.format(Locale.ROOT, "%.2f", v);
    }
}
