package wistel.server.strip;

import java.util.List;
import wistel.core.sheet.Varied;

/**
 * What a test strip can vary.
 *
 * @param axes  across and downwards
 * @param pages settings of the printer, page by page
 */
public record StripChoices(List<AxisChoice> axes, List<PageChoice> pages) {
    /**
     * @param from  where a slider stands
     * @param step  that shows on paper
     * @param ways  of what is one of several; empty of a slider
     */
    public record AxisChoice(Varied what, String word, boolean slides, double from, double step, double most, List<Way> ways) {
    }

    /** @param now it is the one that is set */
    public record Way(String value, String words, boolean now) {
    }

    public record PageChoice(String setting, String word, List<Way> ways) {
    }
}
