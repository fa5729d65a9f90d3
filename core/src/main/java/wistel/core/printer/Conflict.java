package wistel.core.printer;

import java.util.List;
import java.util.Set;

/**
 * Settings of a request that a printer can't follow together.
 *
 * @param between names of the settings, and of {@link #SIZE}, {@link #BORDERLESS} and {@link #THICKNESS}; as few as already exclude each
 *                other
 */
public record Conflict(Kind kind, Set<String> between) {
    /** The paper's size, cut or loaded. */
    public static final String SIZE = "media-size";
    public static final String BORDERLESS = "borderless";
    public static final String THICKNESS = "media-thickness";

    /** GONE: a value that the printer doesn't list; MEDIA: no entry of its media table; RULE: one of its constraints. */
    public enum Kind {
        GONE, MEDIA, RULE
    }

    /** One thing to do differently. */
    public sealed interface Alteration {
        /** @param value empty to leave it to the printer */
        record Setting(String name, String value) implements Alteration {
        }

        record Edges(boolean borderless) implements Alteration {
        }

        record Size(double widthMm, double lengthMm, boolean roll) implements Alteration {
        }
    }

    /**
     * A value that a setting could have.
     *
     * @param conflicts what stands in its way; empty where it is possible
     * @param way       the smallest set of changes to other settings with which it is possible; empty where it is so already, or nothing
     *                  helps
     */
    public record Offer(String value, List<Conflict> conflicts, List<Alteration> way) {
        public boolean possible() {
            return conflicts.isEmpty();
        }
    }
}
