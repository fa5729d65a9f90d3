package wistel.core.printer;

import java.util.Arrays;
import java.util.List;

/**
 * The values that a setting may have: single ones in the printer's order, and spans of whole numbers.
 *
 * @param syntax in which a value is sent
 */
public record ValueSet(Syntax syntax, List<String> values, List<Span> spans) {
    /** IPP syntaxes of values that a job can be given (RFC 8011, 5.1). */
    public enum Syntax {
        KEYWORD, NAME, ENUM, INTEGER, BOOLEAN, RESOLUTION, TEXT
    }

    public static final ValueSet EMPTY = new ValueSet(Syntax.KEYWORD, List.of(), List.of());

    /** Whole numbers from one to another, both included. */
    public record Span(int from, int to) {
        public Span {
            if (to < from) {
                throw new IllegalArgumentException(from + " to " + to);
            }
        }
    }

    public ValueSet {
        values = List.copyOf(values);
        spans = List.copyOf(spans);
    }

    public static ValueSet keywords(String... values) {
        return new ValueSet(Syntax.KEYWORD, Arrays.asList(values), List.of());
    }

    public static ValueSet enums(int... values) {
        return new ValueSet(Syntax.ENUM, Arrays.stream(values).mapToObj(Integer::toString).toList(), List.of());
    }

    public boolean empty() {
        return values.isEmpty() && spans.isEmpty();
    }

    public boolean holds(String value) {
        if (values.contains(value)) {
            return true;
        }
        if (spans.isEmpty() || !value.matches("-?\\d{1,9}")) {
            return false;
        }
        int number = Integer.parseInt(value);
        return spans.stream().anyMatch(s -> number >= s.from && number <= s.to);
    }
}
