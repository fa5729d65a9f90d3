package wistel.core.docket.changes;

import java.util.Map;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.Purpose;
import wistel.core.rendition.Rendition;
import wistel.core.sheet.Item;
import wistel.core.sheet.Strip;

/** Changes of a test strip and of the docket that it came from, of which only the server knows what they are made of. */
public sealed interface StripChange extends Change {
    /** What is varied, and pieces of a size that leaves all of them room. */
    record Varied(Strip strip, Item item, Purpose.StripOf purpose) implements StripChange {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withHeading(new DocketSpec.Heading(d.title(), d.notes(), purpose)).withPlan(strip).withItem(item);
        }

        @Override
        public String words() {
            return strip.columns().what().word() + strip.down().map(a -> " by " + a.what().word()).orElse("")
                + strip.pages().map(p -> ", page by page").orElse("");
        }
    }

    /** What was taken over from it. */
    record Chosen(String piece) implements StripChange {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withPlan(d.strip().chose(piece));
        }

        @Override
        public String words() {
            return "chosen: " + piece;
        }
    }

    /**
     * A docket is printed like a strip's piece: its picture, the way of its colour and its sharpening as the piece has them, and the settings
     * that were the page's alone.
     *
     * @param piece the strip's docket as it is for the piece
     */
    record LikePiece(DocketSpec piece, String renditionId, Map<String, String> settings, String label) implements StripChange {
        public LikePiece {
            settings = Map.copyOf(settings);
        }

        @Override
        public DocketSpec on(DocketSpec d) {
            Rendition now = d.rendition(renditionId);
            Rendition printed = piece.renditions().get(0);
            return d.withRendition(printed.as(now.id()).of(now.masterHash())).withRoute(piece.route()).withSharpening(piece.sharpening())
                .withSettings(d.settings().with(settings));
        }

        @Override
        public String words() {
            return "like the strip's piece “" + label + "”";
        }
    }
}
