package wistel.standin.room;

import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What a job asks of the printer. A size of zero leaves it to what is loaded.
 *
 * @param settings    by their IPP names, media type and feed among them; what is missing is left to the printer
 * @param marginsMm   leading, right, trailing, left; empty when the job leaves them to the printer
 * @param thicknessMm of the paper; 0 when the job doesn't say
 */
public record Ticket(String name, String user, Map<String, String> settings, double widthMm, double heightMm,
    Optional<List<Double>> marginsMm, double thicknessMm, int copies, boolean held) {
    private static final int USUAL_QUALITY = 5;

    public Ticket {
        settings = Map.copyOf(settings);
    }

    /** With borders; an empty media type or feed leaves it to what is loaded. */
    public static Ticket bordered(String name, String user, String mediaType, String feed, double widthMm, double heightMm, int quality,
        int copies, boolean held) {
        return new Ticket(name, user, Map.of("media-type", mediaType, "media-source", feed, "print-quality", Integer.toString(quality)),
            widthMm, heightMm, Optional.empty(), 0, copies, held);
    }

    public String get(String setting) {
        return settings.getOrDefault(setting, "");
    }

    public String mediaType() {
        return get("media-type");
    }

    public String feed() {
        return get("media-source");
    }

    public int quality() {
        return get("print-quality").isEmpty() ? USUAL_QUALITY : Integer.parseInt(get("print-quality"));
    }

    public boolean borderless() {
        return marginsMm.isPresent() && marginsMm.get().stream().allMatch(m -> m == 0);
    }

    /** How far to print over the edges. */
    public double overMm() {
        return !borderless() ? 0
            : get("wistel-over-edge").isEmpty() ? MachineModel.USUAL_OVER_EDGE_MM : Integer.parseInt(get("wistel-over-edge")) / 100.0;
    }
}
