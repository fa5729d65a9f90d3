package wistel.server.printer;

import java.util.HashMap;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The words of a printer's strings file (PWG 5100.13, printer-strings-uri): lines of {@code "name" = "words";}, within bounds. */
final class PrinterStrings {
    static final int LARGEST = 1 << 20;
    private static final int MOST = 5000;
    private static final int LONGEST = 200;
    /** Possessive, so that no file makes the matcher recurse or go back. */
    private static final String QUOTED = "\"([^\"\\\\]*+(?:\\\\.[^\"\\\\]*+)*+)\"";
    private static final Pattern LINE = Pattern.compile(QUOTED + "\\s*+=\\s*+" + QUOTED + "\\s*+;");

    private PrinterStrings() {
    }

    static Map<String, String> read(String text) {
        Map<String, String> words = new HashMap<>();
        Matcher m = LINE.matcher(text);
        while (m.find() && words.size() < MOST) {
            String said = unescaped(m.group(2)).replaceAll("\\p{Cntrl}", " ").strip();
            if (!said.isEmpty() && m.group(1).length() <= LONGEST) {
                words.put(unescaped(m.group(1)), said.length() > LONGEST ? said.substring(0, LONGEST) : said);
            }
        }
        return words;
    }

    private static String unescaped(String text) {
        return text.replaceAll("\\\\(.)", "$1");
    }
}
