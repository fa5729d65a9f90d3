package wistel.core.printer;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What a printer says it can do, in the terms of IPP (PWG 5100.14); what it is doing and holds just now is {@link PrinterState}.
 *
 * @param media       every combination of sheet, type and feed that it offers
 * @param qualities   IPP print-quality values
 * @param resolutions square resolutions in dpi, finest last
 * @param rasters     PWG raster types it takes, by their keywords ({@code device3_16}, {@code srgb_8})
 * @param formats     document formats it takes
 * @param colourModes print-color-mode keywords, empty when it doesn't say
 * @param intents     print-rendering-intent keywords, empty when it doesn't say
 * @param overEdgesMm how far it can print over the edges of borderless paper, from which one is chosen; empty when it doesn't say
 */
public record PrinterDescription(String model, List<MediaRow> media, List<String> mediaTypes, List<String> feeds, List<Integer> qualities,
                                 List<Integer> resolutions, List<String> rasters, List<String> formats, List<String> colourModes, List<String> intents,
                                 List<Double> overEdgesMm) {
    /** Of a printer that has not answered yet. */
    public static final PrinterDescription UNKNOWN = new PrinterDescription("", List.of(), List.of(), List.of(), List.of(), List.of(), List.of(), List.of(), List.of(), List.of(), List.of());

    /** Pictures are made for this resolution, or the coarsest that is offered, unless they have more. */
    private static final int USUAL_DPI = 360;
    /** A picture that has a little more than the printer takes isn't worth four times the data. */
    private static final double HARDLY_MORE = 1.005;

    public PrinterDescription {
        media = List.copyOf(media);
        mediaTypes = List.copyOf(mediaTypes);
        feeds = List.copyOf(feeds);
        qualities = List.copyOf(qualities);
        resolutions = resolutions.stream().sorted().toList();
        rasters = List.copyOf(rasters);
        formats = List.copyOf(formats);
        colourModes = List.copyOf(colourModes);
        intents = List.copyOf(intents);
        overEdgesMm = overEdgesMm.stream().sorted().toList();
    }

    public boolean offersFeed(String type, String feed) {
        return media.stream().anyMatch(m -> m.takes(type, feed));
    }

    /** Settings that are not among those it lists, in words; what it lists nothing of isn't judged. Some printers take such jobs and print otherwise. */
    public List<String> unknown(DriverSettings settings) {
        List<String> unknown = new ArrayList<>();
        if (!settings.mediaType().isEmpty() && !mediaTypes.isEmpty() && !mediaTypes.contains(settings.mediaType())) {
            unknown.add("media type " + Keywords.words(settings.mediaType()));
        }
        if (!settings.feed().isEmpty() && !feeds.isEmpty() && !feeds.contains(settings.feed())) {
            unknown.add(Keywords.feed(settings.feed()));
        }
        if (!qualities.isEmpty() && !qualities.contains(settings.quality())) {
            unknown.add(Keywords.quality(settings.quality()) + " quality");
        }
        return unknown;
    }

    public boolean offersSheet(double widthMm, double lengthMm) {
        return media.stream().anyMatch(m -> m.fits(widthMm, lengthMm));
    }

    /** The resolution that a picture without much detail is made for: the finest up to 360 dpi, or the coarsest if all are finer. */
    public int usualDpi() {
        return resolutions.stream().filter(r -> r <= USUAL_DPI).mapToInt(r -> r).max().orElse(resolutions.stream().mapToInt(r -> r).min().orElse(300));
    }

    /** The input resolution for a picture: the usual one, or the first that keeps all of its pixels, or the finest there is. */
    public int inputDpi(double ppi) {
        int usual = usualDpi();
        return resolutions.stream().filter(r -> r >= usual && r * HARDLY_MORE >= ppi).mapToInt(r -> r).min()
            .orElse(Math.max(usual, resolutions.stream().mapToInt(r -> r).max().orElse(usual)));
    }

    /** The deepest raster type that it takes for this way of the colour. */
    public Optional<RasterType> raster(ColourRoute route) {
        return RasterType.wanted(route).stream().filter(t -> rasters.contains(t.keyword())).findFirst();
    }
}
