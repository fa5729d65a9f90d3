package wistel.core.docket.changes;

import wistel.core.docket.spec.DocketSpec;
import wistel.core.fault.InvalidRequest;
import wistel.core.length.Length;
import wistel.core.sheet.Annotation;
import wistel.core.sheet.Arrangement;
import wistel.core.sheet.Cut;
import wistel.core.sheet.Frame;
import wistel.core.sheet.Item;
import wistel.core.sheet.Plans;

/** What a person decides of one piece: how large it is, what of the picture it shows, and what stands round it. */
public sealed interface PieceCommand extends Command {
    String itemId();

    /** Of another size; a picture alone on its sheet leaves borders that were typed for even ones. */
    record Framed(String itemId, double widthMm, double heightMm) implements PieceCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            Item item = framed(d, itemId);
            if (Plans.single(d.plan()).isPresent()) {
                return d.with(d.single().framed(widthMm, heightMm));
            }
            // a size of its own ends those that rows give to all
            DocketSpec sized = d.withItem(item.sized(widthMm, heightMm));
            return Plans.gang(d.plan())
                .map(g -> sized.withPlan(g.arranged(g.arrangement().sized(Arrangement.Rows.AS_SIZED)))).orElse(sized);
        }

        @Override
        public String words() {
            return "picture " + Length.mm(widthMm) + " × " + Length.mm(heightMm) + " mm";
        }
    }

    record Fitted(String itemId, Frame.Fit fit) implements PieceCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            Item item = framed(d, itemId);
            return d.withItem(item.framed(item.frame().fitted(fit)));
        }

        @Override
        public String words() {
            return fit == Frame.Fit.FILL ? "fill the frame" : "all of the picture";
        }
    }

    /** Filled, in a frame that was worked out for it. */
    record Filled(String itemId, double widthMm, double heightMm) implements PieceCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return new Framed(itemId, widthMm, heightMm).on(new Fitted(itemId, Frame.Fit.FILL).on(d));
        }

        @Override
        public String words() {
            return "fill the frame";
        }
    }

    record Cropped(String itemId, double cropX, double cropY) implements PieceCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            Item item = d.item(itemId);
            return d.withItem(item.framed(item.frame().cropped(cropX, cropY)));
        }

        @Override
        public String words() {
            return "crop moved";
        }
    }

    /** Another part of the picture is wanted. */
    record Trimmed(String itemId, Cut cut) implements PieceCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withItem(d.item(itemId).cut(cut));
        }

        @Override
        public String words() {
            return cut.whole() ? "all of the picture"
                : cut.degrees() == 0 ? "crop" : "crop, straightened by " + Math.round(cut.degrees() * 10) / 10.0 + "°";
        }
    }

    /** Caption, rule and cut marks. */
    record Annotated(String itemId, Annotation annotation) implements PieceCommand {
        @Override
        public DocketSpec on(DocketSpec d) {
            return d.withItem(d.item(itemId).annotated(annotation));
        }

        @Override
        public String words() {
            return "what is written and drawn round the picture";
        }
    }

    /** A piece of the plan, whose frame is its size: a body has its own. */
    private static Item framed(DocketSpec d, String itemId) {
        Item item = d.item(itemId);
        if (!d.plan().frames() || !d.plan().items().contains(itemId)) {
            throw new InvalidRequest(InvalidRequest.Reason.PLAN_DIFFERS, "This piece is not laid by its size here.",
                "Look at the docket as it is now.");
        }
        return item;
    }
}
