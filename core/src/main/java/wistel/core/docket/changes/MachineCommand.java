package wistel.core.docket.changes;

import java.util.Locale;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.Resolution;
import wistel.core.docket.spec.Sharpening;
import wistel.core.docket.words.DocketPhrases;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.PrinterDescription;

/** What a person decides of how a docket is printed. */
public sealed interface MachineCommand extends Command {
    record Sharpened(Sharpening sharpening) implements MachineCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withSharpening(sharpening);
        }

        @Override
        public String words() {
            return sharpening == Sharpening.OFF ? "no sharpening" : sharpening.name().toLowerCase(Locale.ROOT) + " sharpening";
        }
    }

    /** Pixels kept or resampled, or another viewing distance. */
    record Resolved(Resolution resolution) implements MachineCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withResolution(resolution);
        }

        @Override
        public String words() {
            return resolution.pixels() == Resolution.Pixels.RESAMPLE ? "resample to " + resolution.resamplePpi() + " ppi"
                : "keep the pixels";
        }
    }

    record Routed(ColourRoute route) implements MachineCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withRoute(route);
        }

        @Override
        public String words() {
            return route instanceof ColourRoute.ByWistel by
                ? DocketPhrases.intent(by.intent()) + (by.compensatesBlack() ? ", black compensated" : "")
                : route instanceof ColourRoute.DriverMonochrome ? "the driver's monochrome" : "the driver converts";
        }
    }

    /**
     * One setting of the printer, by its IPP name.
     *
     * @param said the value in the printer's own words; empty when it has none
     */
    record Set(String setting, String value, String said) implements MachineCommand {
        public Set(String setting, String value) {
            this(setting, value, "");
        }

        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withSettings(d.settings().with(setting, value));
        }

        @Override
        public String words() {
            String word = said.isEmpty() ? PrinterDescription.UNKNOWN.word(setting, value) : said;
            return switch (setting) {
                case DriverSettings.MEDIA_TYPE, DriverSettings.FEED -> word;
                case DriverSettings.QUALITY -> word + " quality";
                default -> value.isEmpty() ? PrinterDescription.UNKNOWN.word(setting) + " left to the printer"
                    : PrinterDescription.UNKNOWN.word(setting) + " " + word;
            };
        }
    }
}
