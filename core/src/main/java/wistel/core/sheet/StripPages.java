package wistel.core.sheet;

import java.util.List;
import wistel.core.fault.InvalidRequest;

/**
 * What a test strip varies page by page: a setting of the printer, which is told each page by itself.
 *
 * @param setting its IPP name
 */
public record StripPages(String setting, List<PageSetting> values) {
    public static final int MOST = 7;

    /** @param words as the printer's setting and value are called */
    public record PageSetting(String value, String words) {
    }

    /** @throws InvalidRequest when there are too few or too many, or two alike */
    public StripPages {
        values = List.copyOf(values);
        if (values.size() < 2 || values.size() > MOST || values.stream().map(PageSetting::value).distinct().count() != values.size()) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "A strip over " + values.size() + " pages can't be.",
                "Choose 2 to " + MOST + " values, each another one.");
        }
    }
}
