package wistel.core.cgats;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wistel.core.fault.MeasurementException;

/**
 * The data of a CGATS.17 / ISO 28178 text as columns and rows of words: quoting, comments and bounds, no meaning. Columns are told by name.
 *
 * @param otherViewing the light or observer that its colours are for, in words, where that isn't D50 and 2 degrees
 */
record Table(Map<String, Integer> columns, List<List<String>> rows, Optional<String> otherViewing) {
    private static final int MOST_ROWS = 50_000;
    private static final int MOST_COLUMNS = 600;
    /** Some columns of spectra have long names, no line has this many. */
    private static final int LONGEST_LINE = 32_768;
    private static final int MOST_LINES = 100_000;
    private static final int MOST_HEADER = 1000;
    /** What ends a line: those of Unicode (UAX 14, class BK, CR, LF, NL). */
    private static final String ENDS = "\n\r\f\u000B\u0085\u2028\u2029";
    private static final Pattern DECIMAL_COMMA = Pattern.compile("[+-]?\\d*,\\d+(?:[eE][+-]?\\d+)?");

    /** Keywords that tell light and observer (ISO 28178, 5.3); what other lines say of them is a person's own words. */
    private static final Set<String> VIEWING = Set.of("MEASUREMENT_SOURCE", "WEIGHTING_FUNCTION", "ILLUMINATION_NAME", "OBSERVER_ANGLE");
    private static final Pattern LIGHT = Pattern.compile("(?i)illumin(?:ant|ation)(?:_name)?\\s*[=,\\s]\\s*\"?\\s*([A-F]\\d{0,2})\\b");
    private static final Pattern OBSERVER = Pattern.compile("(?i)observer(?:angle|_angle)?\\s*[=,\\s]\\s*\"?\\s*(\\d+)");

    /** @throws MeasurementException when a section is missing, a row is too short, or there is more than a chart can hold */
    static Table parse(String text) {
        List<String> lines = lines(text, Table::broken);
        List<String> names = new ArrayList<>();
        for (String line : section(lines, "BEGIN_DATA_FORMAT", "END_DATA_FORMAT")) {
            names.addAll(words(line));
        }
        if (names.size() > MOST_COLUMNS) {
            throw broken("it has more than " + MOST_COLUMNS + " columns");
        }
        Map<String, Integer> columns = new HashMap<>();
        for (String name : names) {
            columns.putIfAbsent(name.toUpperCase(Locale.ROOT), names.indexOf(name));
        }
        List<String> data = section(lines, "BEGIN_DATA", "END_DATA");
        if (data.size() > MOST_ROWS) {
            throw broken("it has more than " + MOST_ROWS + " rows");
        }
        List<List<String>> rows = new ArrayList<>();
        for (String line : data) {
            List<String> row = words(line);
            if (row.size() < names.size()) {
                throw broken("row " + (rows.size() + 1) + " has " + row.size() + " of " + names.size() + " columns");
            }
            rows.add(row);
        }
        return new Table(columns, rows, otherViewing(lines.subList(0, Math.min(lines.size(), MOST_HEADER))));
    }

    private static Optional<String> otherViewing(List<String> header) {
        for (String line : header) {
            if (line.trim().equals("BEGIN_DATA")) {
                break;
            }
            if (words(line).stream().findFirst().filter(VIEWING::contains).isEmpty()) {
                continue;
            }
            Matcher light = LIGHT.matcher(line);
            if (light.find() && !light.group(1).equalsIgnoreCase("D50")) {
                return Optional.of("illuminant " + light.group(1).toUpperCase(Locale.ROOT));
            }
            Matcher observer = OBSERVER.matcher(line);
            if (observer.find() && !observer.group(1).equals("2")) {
                return Optional.of("an observer of " + observer.group(1) + " degrees");
            }
        }
        return Optional.empty();
    }

    /**
     * The lines of a text.
     *
     * @param refused what to say where one is longer than any reading, or there are more than readings have
     */
    static List<String> lines(String text, Function<String, MeasurementException> refused) {
        List<String> lines = new ArrayList<>();
        int from = 0;
        for (int at = 0; at <= text.length(); at++) {
            if (at == text.length() || ENDS.indexOf(text.charAt(at)) >= 0) {
                lines.add(text.substring(from, at));
                at += at + 1 < text.length() && text.charAt(at) == '\r' && text.charAt(at + 1) == '\n' ? 1 : 0;
                from = at + 1;
                if (lines.size() > MOST_LINES) {
                    throw refused.apply("it has more than " + MOST_LINES + " lines");
                }
            } else if (at - from >= LONGEST_LINE) {
                throw refused.apply("line " + (lines.size() + 1) + " has more than " + LONGEST_LINE + " characters");
            }
        }
        return lines;
    }

    private static List<String> section(List<String> lines, String begin, String end) {
        List<String> found = new ArrayList<>();
        boolean inside = false;
        for (String line : lines) {
            String mark = line.trim();
            if (mark.equals(begin)) {
                inside = true;
            } else if (mark.equals(end)) {
                return found;
            } else if (inside && !mark.isEmpty() && !mark.startsWith("#")) {
                found.add(mark);
            }
        }
        throw broken("the part from " + begin + " to " + end + " is missing or cut off");
    }

    /** Words between blanks; what stands in quotes is one word. */
    static List<String> words(String line) {
        List<String> words = new ArrayList<>();
        int at = 0;
        while (at < line.length()) {
            if (Character.isWhitespace(line.charAt(at))) {
                at++;
                continue;
            }
            boolean quoted = line.charAt(at) == '"';
            int from = quoted ? at + 1 : at;
            int to = from;
            while (to < line.length() && (quoted ? line.charAt(to) != '"' : !Character.isWhitespace(line.charAt(to)))) {
                to++;
            }
            words.add(line.substring(from, to));
            at = quoted ? to + 1 : to;
        }
        return words;
    }

    boolean has(String... names) {
        for (String name : names) {
            if (!columns.containsKey(name)) {
                return false;
            }
        }
        return true;
    }

    String word(int row, String name) {
        return rows.get(row).get(columns.get(name));
    }

    /** @throws MeasurementException with the row's number, counted from 1 */
    double number(int row, String name) {
        String word = word(row, name);
        return number(word).orElseThrow(() -> broken(
            "row " + (row + 1) + " holds '" + (word.length() > 20 ? word.substring(0, 20) : word) + "' where a number belongs"));
    }

    /** A finite number within a million, with a decimal point or a decimal comma. */
    static OptionalDouble number(String word) {
        try {
            double v = Double.parseDouble(DECIMAL_COMMA.matcher(word).matches() ? word.replace(',', '.') : word);
            return Double.isFinite(v) && Math.abs(v) < 1e6 ? OptionalDouble.of(v) : OptionalDouble.empty();
        } catch (NumberFormatException e) {
            return OptionalDouble.empty();
        }
    }

    double[] numbers(int row, String... names) {
        double[] numbers = new double[names.length];
        for (int i = 0; i < names.length; i++) {
            numbers[i] = number(row, names[i]);
        }
        return numbers;
    }

    static MeasurementException broken(String why) {
        return new MeasurementException(MeasurementException.Reason.CHART_UNREADABLE, "This measurement file can't be used: " + why + ".",
            "Export it again as CGATS text with RGB, CMYK or gray columns, and XYZ, LAB or spectral ones.");
    }
}
