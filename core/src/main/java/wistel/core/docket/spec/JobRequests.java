package wistel.core.docket.spec;

import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import wistel.core.pairing.PairingVersion;
import wistel.core.paper.Stock;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.JobRequest;
import wistel.core.printer.PrinterDescription;

/** What a docket asks of its printer. */
public final class JobRequests {
    private static final String COLOUR = "color";

    private JobRequests() {
    }

    /** A roll is cut to any length. */
    public static JobRequest of(DocketSpec d, Optional<PairingVersion> pairing, PrinterDescription printer) {
        Map<String, String> settings = new TreeMap<>(d.settings().values());
        settings.values().removeIf(String::isEmpty);
        if (!(d.route() instanceof ColourRoute.DriverMonochrome)) {
            settings.remove(DriverSettings.DARKNESS);
            settings.remove(DriverSettings.TINT);
        }
        colourMode(d.route(), printer).ifPresent(mode -> settings.put(DriverSettings.COLOUR_MODE, mode));
        boolean borderless = d.plan().edge().borderless();
        if (borderless) {
            settings.remove(DriverSettings.TOP_MARGIN);
        }
        return new JobRequest(settings, d.stock().widthMm(), d.stock() instanceof Stock.Sheet sheet ? sheet.lengthMm() : 0,
            d.stock() instanceof Stock.Roll, borderless,
            pairing.map(p -> p.body().thicknessMm()).orElse(0.0));
    }

    /** What the printer calls this way of the colour; empty when it has no word for it. */
    private static Optional<String> colourMode(ColourRoute route, PrinterDescription printer) {
        return route instanceof ColourRoute.DriverMonochrome ? printer.monochromeMode()
            : Optional.of(COLOUR).filter(c -> printer.supported(DriverSettings.COLOUR_MODE).holds(c));
    }
}
