package wistel.core.sheet;

import java.util.Map;
import wistel.core.length.Margins;
import wistel.core.paper.Stock;

/** How the work sits on the paper. Each plan is an algorithm of its own; all of them give a {@link Layout}. */
public sealed interface SheetPlan permits Single {
    /** Upright size of a picture. */
    record PixelSize(int width, int height) {
        public PixelSize {
            if (width < 1 || height < 1) {
                throw new IllegalArgumentException(width + " x " + height + " pixels");
            }
        }
    }

    /**
     * What a plan is laid out on.
     *
     * @param feedMargins unprintable edges as the sheet feeds
     * @param pictures    by rendition
     */
    record Ground(Stock stock, Margins feedMargins, Map<String, PixelSize> pictures) {
        public Ground {
            pictures = Map.copyOf(pictures);
        }
    }

    Layout lay(Ground ground);
}
