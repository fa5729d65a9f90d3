package wistel.core.sheet;

import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;

/**
 * Where a picture is parted into sheets: the joints that are seen.
 *
 * @param choice    how they came to lie there
 * @param columnsMm of the joints between columns, from the picture's left; where they don't suit the sheets, they lie evenly
 * @param rowsMm    of those between rows, from above
 */
public record Seams(Choice choice, List<Double> columnsMm, List<Double> rowsMm) {
    /** All sheets alike; where the picture has least contrast across them; where a person put them. */
    public enum Choice {
        EVEN, QUIET, BY_HAND
    }

    public static final Seams EVEN = of(Choice.EVEN);

    public Seams {
        Objects.requireNonNull(choice);
        columnsMm = List.copyOf(columnsMm);
        rowsMm = List.copyOf(rowsMm);
        if (!Stream.concat(columnsMm.stream(), rowsMm.stream()).allMatch(mm -> mm > 0 && mm < Frame.LARGEST_MM)) {
            throw new IllegalArgumentException("joints at " + columnsMm + ", " + rowsMm);
        }
    }

    /** Still to be found. */
    public static Seams of(Choice choice) {
        return new Seams(choice, List.of(), List.of());
    }
}
