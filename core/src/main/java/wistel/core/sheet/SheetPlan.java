package wistel.core.sheet;

import java.util.Map;
import wistel.core.length.Margins;
import wistel.core.paper.Stock;

/** How the work sits on the paper. Each plan is an algorithm of its own; all of them give a {@link Layout}. */
public sealed interface SheetPlan permits Single, Chart, Wrap {
    /** Upright size of a picture. */
    record PixelSize(int width, int height) {
        public PixelSize {
            if (width < 1 || height < 1) {
                throw new IllegalArgumentException(width + " x " + height + " pixels");
            }
        }

        public double aspect() {
            return (double) width / height;
        }
    }

    /**
     * What a caption says.
     *
     * @param edition number of the first print, 1 or more
     */
    record Lettering(String title, String date, int edition) {
        Lettering plus(int copies) {
            return new Lettering(title, date, edition + copies);
        }
    }

    /**
     * What a plan is laid out on.
     *
     * @param feedMargins unprintable edges as the paper feeds
     * @param pictures    by rendition
     * @param copies      of each page; numbered ones are pages of their own
     */
    record Ground(Stock stock, Margins feedMargins, Map<String, PixelSize> pictures, Annotation annotation, Lettering lettering, int copies) {
        public Ground {
            pictures = Map.copyOf(pictures);
        }

        /** Without anything round the picture. */
        public static Ground bare(Stock stock, Margins feedMargins, Map<String, PixelSize> pictures) {
            return new Ground(stock, feedMargins, pictures, Annotation.NONE, new Lettering("", "", 1), 1);
        }
    }

    Layout lay(Ground ground);
}
