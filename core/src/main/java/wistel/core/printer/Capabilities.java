package wistel.core.printer;

import java.util.List;
import java.util.Optional;
import wistel.core.length.Margins;

/**
 * What a printer says it can do, in the terms of IPP (PWG 5100.14), lengths in millimetres.
 *
 * @param media        every combination of sheet, type and feed that it offers, with the margins it can't print in
 * @param qualities    IPP print-quality values
 * @param resolutions  square resolutions in dpi, finest last
 * @param rasterTypes  PWG raster types it takes ({@code device3_16}, {@code srgb_16}, {@code srgb_8})
 * @param formats      document formats it takes
 * @param loaded       what lies in the feeds now
 */
public record Capabilities(String model, List<Media> media, List<String> mediaTypes, List<String> feeds, List<Integer> qualities, List<Integer> resolutions,
                           List<String> rasterTypes, List<String> formats, List<Media> loaded) {

    /** Margins as the sheet goes through, short edge leading: top is the leading edge. A type or feed left empty stands for any. */
    public record Media(String type, String feed, double widthMm, double heightMm, Margins margins) {
        public boolean fits(double wMm, double hMm) {
            return Math.abs(widthMm - wMm) < 0.6 && Math.abs(heightMm - hMm) < 0.6;
        }
    }

    /** The entry for a sheet of this size, type and feed. */
    public Optional<Media> media(String type, String feed, double widthMm, double heightMm) {
        return media.stream()
            .filter(m -> m.fits(widthMm, heightMm) && (m.type.isEmpty() || m.type.equals(type)) && (m.feed.isEmpty() || m.feed.equals(feed)))
            .findFirst();
    }

    public boolean offersFeed(String type, String feed) {
        return media.stream().anyMatch(m -> (m.type.isEmpty() || m.type.equals(type)) && (m.feed.isEmpty() || m.feed.equals(feed)));
    }

    /** The resolution that pictures are made for: the finest up to 360 dpi, or the coarsest if all are finer. */
    public int nativeDpi() {
        return resolutions.stream().filter(r -> r <= 360).mapToInt(r -> r).max().orElse(resolutions.stream().mapToInt(r -> r).min().orElse(300));
    }
}
