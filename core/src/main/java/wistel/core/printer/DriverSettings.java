package wistel.core.printer;

import java.util.Collections;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import wistel.core.fault.InvalidRequest;

/** Settings of the printer by their IPP names, numbers and enums in decimals. An open map: what Wistel reasons about has accessors. */
public record DriverSettings(Map<String, String> values) {
    public static final String MEDIA_TYPE = "media-type";
    public static final String FEED = "media-source";
    public static final String QUALITY = "print-quality";
    /** Leading margin in hundredths of a millimetre: chosen where a printer offers more than one. */
    public static final String TOP_MARGIN = "media-top-margin";
    public static final String COLOUR_MODE = "print-color-mode";
    public static final String RESOLUTION = "printer-resolution";
    /** What is done to the printed sheet, the cut among it (PWG 5100.1). */
    public static final String FINISHING = "finishings";
    public static final String NO_FINISHING = "3";
    public static final String BLACK = "wistel-black-ink";
    /** Of the driver's monochrome mode. */
    public static final String DARKNESS = "wistel-mono-darkness";
    public static final String TINT = "wistel-mono-tint";
    private static final int MOST = 100;
    private static final int LONGEST = 255;

    /** @throws InvalidRequest when a name or value is longer than IPP allows, or a quality is no number */
    public DriverSettings {
        values = Collections.unmodifiableSortedMap(new TreeMap<>(values));
        boolean sane = values.size() <= MOST
            && values.entrySet().stream().allMatch(e -> e.getKey().length() <= LONGEST && e.getValue().length() <= LONGEST)
            && values.getOrDefault(QUALITY, "5").matches("\\d{1,3}");
        if (!sane) {
            throw new InvalidRequest(InvalidRequest.Reason.SETTINGS_UNCLEAR, "These printer settings can't be read.",
                "Choose among those that the printer offers.");
        }
    }

    public static DriverSettings of(String mediaType, String feed, int quality) {
        return new DriverSettings(Map.of(MEDIA_TYPE, mediaType, FEED, feed, QUALITY, Integer.toString(quality)));
    }

    public String mediaType() {
        return values.getOrDefault(MEDIA_TYPE, "");
    }

    /** They set the printer's own monochrome. */
    public boolean monochrome() {
        return get(COLOUR_MODE).filter(mode -> !mode.equals("color")).isPresent();
    }

    public String feed() {
        return values.getOrDefault(FEED, "");
    }

    /** IPP print-quality: 3 draft, 4 normal, 5 high. */
    public int quality() {
        return Integer.parseInt(values.getOrDefault(QUALITY, "5"));
    }

    /** Empty when it is left to the printer. */
    public Optional<String> get(String name) {
        return Optional.ofNullable(values.get(name));
    }

    /** With each of these as {@link #with(String, String)} has it. */
    public DriverSettings with(Map<String, String> others) {
        DriverSettings next = this;
        for (Map.Entry<String, String> other : others.entrySet()) {
            next = next.with(other.getKey(), other.getValue());
        }
        return next;
    }

    /** @param value empty to leave the setting to the printer */
    public DriverSettings with(String name, String value) {
        Map<String, String> next = new TreeMap<>(values);
        if (value.isEmpty() && !name.equals(MEDIA_TYPE) && !name.equals(FEED)) {
            next.remove(name);
        } else {
            next.put(name, value);
        }
        return new DriverSettings(next);
    }
}
