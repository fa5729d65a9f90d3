package wistel.core.docket.findings;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import wistel.core.length.Length;
import wistel.core.paper.SheetSize;
import wistel.core.paper.Stock;
import wistel.core.printer.Conflict;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.JobRequest;
import wistel.core.printer.MediaRow;
import wistel.core.printer.PrinterDescription;

/** Why a value isn't possible, in words. */
final class RuleWords {
    private static final int MOST_NAMED = 4;

    private final PrinterDescription printer;

    RuleWords(PrinterDescription printer) {
        this.printer = printer;
    }

    /**
     * @param judged the setting whose value is looked at
     * @param job    with that value
     * @return what stands in its way, a sentence's part: "not with monochrome", "takes paper up to 0.35 mm; this one has 0.52"
     */
    String why(String judged, Conflict conflict, JobRequest job) {
        return switch (conflict.kind()) {
            case GONE -> "the printer doesn't offer it any more";
            case RULE -> "not with " + conflict.between().stream().filter(n -> !n.equals(judged)).map(n -> part(n, job)).distinct()
                .collect(Collectors.joining(" and "));
            case MEDIA -> media(judged, conflict.between(), job);
        };
    }

    private String media(String judged, Set<String> core, JobRequest job) {
        if (core.contains(Conflict.THICKNESS)) {
            double most = printer.media().stream().filter(m -> m.feed().isEmpty() || m.feed().equals(job.get(DriverSettings.FEED)))
                .mapToDouble(m -> m.thicknessMm().to()).max().orElse(0);
            return "bends paper thicker than " + hundredths(most) + " mm; this one has " + hundredths(job.thicknessMm());
        }
        List<String> others = core.stream().filter(n -> !n.equals(judged)).toList();
        String not = others.isEmpty() ? "not offered" : "not " + others.stream().map(n -> placed(n, job)).collect(Collectors.joining(", "));
        return judged.equals(Conflict.BORDERLESS) ? not + elsewhere() : not;
    }

    private static String hundredths(double mm) {
        return String.format(Locale.ROOT, "%.2f", mm);
    }

    /** With a preposition. */
    private String placed(String name, JobRequest job) {
        return switch (name) {
            case DriverSettings.MEDIA_TYPE -> "for " + printer.type(job.get(name));
            case DriverSettings.FEED -> "through " + printer.feed(job.get(name));
            case Conflict.SIZE -> "on " + size(job.widthMm(), job.lengthMm(), job.roll());
            case Conflict.BORDERLESS -> "to the edge";
            default -> "with " + part(name, job);
        };
    }

    private String part(String name, JobRequest job) {
        return switch (name) {
            case Conflict.SIZE, "x-dimension", "y-dimension" -> size(job.widthMm(), job.lengthMm(), job.roll());
            case Conflict.BORDERLESS -> "borderless";
            case DriverSettings.TOP_MARGIN -> "ends of " + printer.word(name, job.get(name));
            case "media-bottom-margin", "media-left-margin", "media-right-margin" -> "these margins";
            case DriverSettings.MEDIA_TYPE, DriverSettings.COLOUR_MODE, DriverSettings.FEED -> printer.word(name, value(name, job));
            case DriverSettings.FINISHING -> printer.word(name, value(name, job));
            default -> printer.phrase(name, value(name, job));
        };
    }

    private String value(String name, JobRequest job) {
        String asked = job.get(name);
        return asked.isEmpty() ? printer.defaults().getOrDefault(name, "") : asked;
    }

    /** For what the printer can print to the edge, if anything. */
    private String elsewhere() {
        Set<String> types = printer.media().stream().filter(MediaRow::borderless)
            .map(m -> m.type().isEmpty() ? "any paper" : printer.type(m.type())).collect(Collectors.toCollection(TreeSet::new));
        List<String> sizes = new ArrayList<>(
            printer.media().stream().filter(MediaRow::borderless).sorted(Comparator.comparingDouble(m -> m.widthMm().from()))
                .map(m -> size(m.widthMm().from(), m.roll() ? 0 : m.lengthMm().from(), m.roll())).distinct().toList());
        if (types.isEmpty()) {
            return "";
        }
        String named = sizes.size() > MOST_NAMED ? String.join(", ", sizes.subList(0, MOST_NAMED)) + " …" : String.join(", ", sizes);
        return "; for " + String.join(" and ", types) + " on " + named;
    }

    static String size(Stock stock) {
        return size(stock.widthMm(), stock instanceof Stock.Sheet s ? s.lengthMm() : 0, stock instanceof Stock.Roll);
    }

    /** A sheet or roll by its name, or by its measures. */
    static String size(double widthMm, double lengthMm, boolean roll) {
        if (roll) {
            return "the " + new Stock.Roll(widthMm).widthWords() + " roll";
        }
        return SheetSize.near(widthMm, lengthMm).map(SheetSize::name)
            .orElseGet(() -> Length.mm(widthMm) + " × " + Length.mm(lengthMm) + " mm");
    }
}
