package wistel.server.printer;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import wistel.core.length.Length;
import wistel.core.length.Range;
import wistel.core.paper.SheetSize;
import wistel.core.paper.Stock;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.MediaRow;
import wistel.core.printer.PrinterDescription;
import wistel.core.printer.PrinterState;
import wistel.core.printer.Supply;

/**
 * A printer as screens show it: what it can in few words instead of its whole media table.
 *
 * @param loaded what lies in its feeds, in words
 * @param can    empty until it first answered
 * @param waits  prints that are on their way to it
 */
public record PrinterView(UUID id, String name, String uri, String ippUuid, boolean retired, String moreInfo, PrinterState.Doing doing,
    String reason, List<String> loaded, List<Supply> supplies,
    Optional<Abilities> can, int waits, Optional<Instant> seen) {
    private static final int MOST_SIZES = 8;

    /** A setting with the values that it may have. */
    public record Setting(String name, String label, List<Word> values) {
    }

    /** A value of a setting, with its word. */
    public record Word(String value, String label) {
    }

    /**
     * @param feeds in words, each with what it takes
     * @param monochromeSettings of its own monochrome mode
     * @param toTheEdge on what it prints borderless; empty when on nothing
     */
    public record Abilities(String model, List<Word> mediaTypes, List<Word> feeds, List<Word> qualities, List<Word> blacks,
        List<String> ways, String toTheEdge, boolean monochrome, List<Setting> monochromeSettings,
        int rules, List<Integer> resolutions, List<String> rasters) {
    }

    static PrinterView of(Printer p, int waits) {
        PrinterDescription d = p.description().orElse(PrinterDescription.UNKNOWN);
        List<String> loaded = p.away() ? List.of() : p.state().loaded().stream().map(m -> loaded(m, d)).distinct().toList();
        return new PrinterView(p.id(), p.name(), p.uri(), p.ippUuid(), p.retired(), p.moreInfo(), p.state().doing(), p.state().reason(),
            loaded, p.state().supplies(), p.description().map(PrinterView::abilities), waits,
            p.seen());
    }

    /** What lies in a printer's feeds under a media type, in words; nothing as long as it doesn't answer. */
    public static List<String> lying(Printer p, String mediaType) {
        PrinterDescription d = p.description().orElse(PrinterDescription.UNKNOWN);
        return p.away() ? List.of() : p.state().loaded().stream().filter(m -> m.type().equals(mediaType)).map(m -> loaded(m, d)).distinct()
            .toList();
    }

    private static Abilities abilities(PrinterDescription d) {
        return new Abilities(d.model(), words(d, DriverSettings.MEDIA_TYPE), words(d, DriverSettings.FEED),
            words(d, DriverSettings.QUALITY), words(d, DriverSettings.BLACK),
            Stream.concat(d.feeds().stream(), Stream.of("")).map(f -> way(f, d)).filter(w -> !w.isEmpty()).toList(), toTheEdge(d),
            d.monochromeMode().isPresent(), monochromeSettings(d), d.constraints().size(), d.resolutions(), d.rasters());
    }

    private static List<Word> words(PrinterDescription d, String setting) {
        return d.supported(setting).values().stream().map(v -> new Word(v, d.word(setting, v))).toList();
    }

    private static List<Setting> monochromeSettings(PrinterDescription d) {
        return Stream.of(DriverSettings.DARKNESS, DriverSettings.TINT).filter(s -> !d.supported(s).empty())
            .map(s -> new Setting(s, d.word(s), words(d, s))).toList();
    }

    private static String loaded(MediaRow m, PrinterDescription d) {
        String feed = m.feed().isEmpty() ? "" : d.word(DriverSettings.FEED, m.feed()) + ": ";
        String type = m.type().isEmpty() ? "" : " " + d.type(m.type());
        if (m.roll()) {
            return feed + new Stock.Roll(m.widthMm().to()).widthWords() + type + ", " + metres(m.lengthMm().to()) + " left";
        }
        return feed + size(m) + type;
    }

    private static String metres(double mm) {
        return Length.mm(mm / 1000) + " m";
    }

    private static String size(MediaRow m) {
        return SheetSize.near(m.widthMm().to(), m.lengthMm().to()).map(SheetSize::name)
            .orElseGet(() -> Length.mm(m.widthMm().to()) + " × " + Length.mm(m.lengthMm().to()) + " mm");
    }

    /** One feed: rolls by width, sheets from the smallest to the largest, how thick. */
    private static String way(String feed, PrinterDescription d) {
        List<MediaRow> rows = d.media().stream().filter(m -> m.feed().equals(feed)).toList();
        List<String> parts = new ArrayList<>();
        List<MediaRow> rolls = rows.stream().filter(MediaRow::roll).toList();
        if (!rolls.isEmpty()) {
            parts.add("rolls of "
                + rolls.stream().map(m -> m.widthMm().from()).distinct().sorted().map(w -> new Stock.Roll(w).widthWords())
                    .collect(Collectors.joining(", "))
                + ", up to " + metres(rolls.stream().mapToDouble(m -> m.lengthMm().to()).max().orElse(0)) + " in one piece");
        }
        List<MediaRow> sheets = rows.stream().filter(m -> !m.roll()).toList();
        if (!sheets.isEmpty()) {
            Range width = new Range(sheets.stream().mapToDouble(m -> m.widthMm().from()).min().orElse(0),
                sheets.stream().mapToDouble(m -> m.widthMm().to()).max().orElse(0));
            double longest = sheets.stream().mapToDouble(m -> m.lengthMm().to()).max().orElse(0);
            parts.add("sheets " + Length.mm(width.from()) + " to " + Length.mm(width.to()) + " mm wide, up to " + Length.mm(longest)
                + " mm long");
        }
        double thickest = rows.stream().mapToDouble(m -> m.thicknessMm().to()).max().orElse(0);
        if (thickest > 0 && thickest < MediaRow.ANY_THICKNESS.to()) {
            parts.add(String.format(Locale.ROOT, "to %.2f mm thick", thickest));
        }
        return parts.isEmpty() ? "" : (feed.isEmpty() ? "any feed" : d.word(DriverSettings.FEED, feed)) + ": " + String.join(", ", parts);
    }

    private static String toTheEdge(PrinterDescription d) {
        List<MediaRow> rows = d.media().stream().filter(MediaRow::borderless).toList();
        if (rows.isEmpty()) {
            return "";
        }
        TreeSet<String> types = rows.stream().map(m -> m.type().isEmpty() ? "any paper" : d.type(m.type()))
            .collect(Collectors.toCollection(TreeSet::new));
        List<String> sizes = rows.stream().sorted(Comparator.comparingDouble(m -> m.widthMm().from()))
            .map(m -> m.roll() ? new Stock.Roll(m.widthMm().from()).name() : size(m)).distinct().toList();
        return String.join(" and ", types) + " on " + String.join(", ", sizes.subList(0, Math.min(MOST_SIZES, sizes.size())))
            + (sizes.size() > MOST_SIZES ? " …" : "");
    }
}
