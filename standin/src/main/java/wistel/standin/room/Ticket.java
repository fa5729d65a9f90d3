package wistel.standin.room;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import wistel.core.paper.SheetSize;

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

    /** One sheet in the usual quality, with borders. */
    public static Ticket bordered(String name, String mediaType, String feed, SheetSize sheet) {
        return new Ticket(name, "wistel", Map.of("media-type", mediaType, "media-source", feed), sheet.widthMm(), sheet.heightMm(),
            Optional.empty(), 0, 1, false);
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
