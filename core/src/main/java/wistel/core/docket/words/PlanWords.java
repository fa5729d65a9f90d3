package wistel.core.docket.words;

import java.util.List;
import java.util.stream.Collectors;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.length.Length;
import wistel.core.paper.Stock;
import wistel.core.sheet.Arrangement;
import wistel.core.sheet.Chart;
import wistel.core.sheet.Delta;
import wistel.core.sheet.Gang;
import wistel.core.sheet.Layout;
import wistel.core.sheet.Page;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Rect;
import wistel.core.sheet.Ruler;
import wistel.core.sheet.SheetJoint;
import wistel.core.sheet.SheetPlan;
import wistel.core.sheet.Single;
import wistel.core.sheet.Strip;
import wistel.core.sheet.StripAxis;
import wistel.core.sheet.StripPages;
import wistel.core.sheet.Tiled;
import wistel.core.sheet.Wrap;
import wistel.core.sheet.WrapBody;

/** What each plan says of how its work lies on the paper. */
public final class PlanWords implements SheetPlan.Visitor<PlanWords.Said> {
    private final DocketSpec d;
    private final Layout layout;

    /**
     * @param size as the size station's outcome: "305.0 × 203.3 mm on A3+, 312 ppi"
     * @param lies a part of the readback, after the paper and its feed
     */
    public record Said(String size, String lies) {
    }

    public PlanWords(DocketSpec d, Layout layout) {
        this.d = d;
        this.layout = layout;
    }

    @Override
    public Said single(Single plan) {
        Page page = layout.pages().get(0);
        Placed placed = page.placed().get(0);
        Rect at = placed.atMm();
        StringBuilder out = new StringBuilder(picture(at));
        double below = page.heightMm() - at.bottom();
        if (plan.edge().borderless()) {
            out.append(", to the edge").append(page.overMm() > 0 ? " and " + Length.mm(page.overMm()) + " mm over it" : "")
                .append(plan.edge().bleedMm() > 0 ? ", where a mirrored edge is cut off" : "");
        } else if (at.x() >= 0 && at.y() >= 0 && below >= 0) {
            out.append(white(at, below));
        }
        if (!d.item(plan.itemId()).annotation().caption().blank() && page.overMm() == 0) {
            out.append(", a caption below");
        }
        out.append(d.item(plan.itemId()).annotation().laid(!plan.edge().borderless()).map(DocketPhrases::mark).orElse(""));
        return new Said(size(placed), out.toString());
    }

    private String size(Placed placed) {
        return Length.mm(placed.atMm().width()) + " × " + Length.mm(placed.atMm().height()) + " mm on " + d.stock().name() + ", "
            + Math.round(placed.ppi()) + " ppi";
    }

    private String picture(Rect at) {
        StringBuilder out = new StringBuilder(", picture " + Length.mm(at.width()) + " × " + Length.mm(at.height()) + " mm");
        layout.losses().forEach(loss -> out.append(" with ").append(DocketPhrases.percent(loss.share())).append(" cropped away"));
        return out.toString();
    }

    private static String white(Rect at, double below) {
        return ", white " + Length.mm(at.x()) + " mm at the sides, " + Length.mm(at.y()) + " above and " + Length.mm(below) + " below";
    }

    @Override
    public Said gang(Gang plan) {
        int prints = layout.placed().size();
        int pages = layout.pages().size();
        String together = prints == 1 ? "one picture" : prints + " pictures together";
        String lost = layout.losses().isEmpty() ? ""
            : layout.losses().size() == 1 ? ", one of them cropped" : ", " + layout.losses().size() + " of them cropped";
        double bare = layout.bareMm2() / layout.pages().stream().mapToDouble(Page::areaMm2).sum();
        String cuts = layout.cuts().isEmpty() || plan.arrangement().way() == Arrangement.Way.BY_HAND ? ""
            : ", " + (layout.cuts().size() == 1 ? "one cut" : layout.cuts().size() + " cuts") + " right across";
        String on = d.stock() instanceof Stock.Roll ? Length.mm(layout.usedLengthMm()) + " mm of " : pages == 1 ? "" : pages + " × ";
        return new Said(together + " on " + on + d.stock().name(),
            ", " + together + lost + cuts + ", " + DocketPhrases.percent(bare) + " of the paper bare");
    }

    @Override
    public Said tiled(Tiled plan) {
        if (layout.placed().isEmpty()) {
            return new Said("larger than sheets of " + d.stock().name() + " can make up", ", nothing: it can't be joined from these");
        }
        Rect all = layout.placed().get(0).tile().orElseThrow().atMm();
        int sheets = layout.pages().size();
        String on = d.stock() instanceof Stock.Sheet s ? sheets == 1 ? "one sheet of " + s.name() : sheets + " sheets of " + s.name()
            : (sheets == 1 ? "one length" : sheets + " lengths") + " of " + ((Stock.Roll) d.stock()).widthWords() + " roll";
        String joined = sheets == 1 ? ""
            : plan.joint().way() == SheetJoint.Way.GLUED ? " with " + Length.mm(plan.joint().overMm()) + " mm of overlap to be glued"
                : " to be cut and laid edge to edge";
        String lost = layout.losses().stream().map(loss -> ", " + DocketPhrases.percent(loss.share()) + " of it cropped away").findFirst()
            .orElse("");
        String finished = Length.mm(all.width()) + " × " + Length.mm(all.height()) + " mm";
        return new Said(finished + " over " + on + ", " + Math.round(layout.placed().get(0).ppi()) + " ppi",
            ", together " + finished + joined + lost);
    }

    @Override
    public Said wrap(Wrap plan) {
        WrapBody.TurnOver turned = plan.body().turnOver();
        String body = DocketPhrases.wrap(plan);
        StringBuilder out = new StringBuilder(plan.panels().count() == 1 ? ", one wrap of " : ", ").append(body).append(" with ")
            .append(plan.fill().words());
        String moved = DocketPhrases.sides(plan.moves());
        out.append(moved.isEmpty() ? "" : " (" + moved + ")");
        out.append(", ").append(Length.mm(turned.widthMm() + turned.playMm())).append(" mm turned over ")
            .append(turned.printed() ? "with picture on it" : "bare");
        layout.losses().forEach(loss -> out.append(", ").append(DocketPhrases.percent(loss.share())).append(" of it on no face"));
        String face = (plan.panels().count() == 1 ? "face " : "") + DocketPhrases.faces(plan) + ", " + DocketPhrases.support(plan);
        return new Said(face + ", " + Math.round(layout.placed().get(0).ppi()) + " ppi", out.toString());
    }

    @Override
    public Said strip(Strip plan) {
        if (layout.placed().isEmpty()) {
            return new Said("more than " + d.stock().name() + " holds", ", nothing: so many pieces don't fit");
        }
        int pages = layout.pages().size();
        Rect at = layout.placed().get(0).atMm();
        String pieces = plan.count() + " pieces of one part of the picture, ";
        String varied = axis(plan.columns()) + " across" + plan.down().map(down -> " and " + axis(down) + " downwards").orElse("")
            + plan.pages().map(p -> ", " + p.values().stream().map(StripPages.PageSetting::words).collect(Collectors.joining(", "))
                + " page by page").orElse("");
        return new Said(plan.count() + " pieces of " + Length.mm(at.width()) + " mm on " + (pages == 1 ? "" : pages + " × ")
            + d.stock().name(), ", " + pieces + varied + ", each labelled");
    }

    /** "lightness −20 to +20", "intent in 3 ways". */
    private static String axis(StripAxis axis) {
        List<Delta> steps = axis.steps();
        if (!axis.what().slides()) {
            return axis.what().word() + " in " + steps.size() + " ways";
        }
        return axis.what().word() + " " + by(steps.get(0)) + " to " + by(steps.get(steps.size() - 1));
    }

    private static String by(Delta delta) {
        double by = ((Delta.Shift) delta).by();
        return by == 0 ? "as it is" : (by > 0 ? "+" : "−") + Length.mm(Math.abs(by));
    }

    @Override
    public Said chart(Chart plan) {
        Page page = layout.pages().get(0);
        if (page.placed().isEmpty()) {
            return new Said("larger than " + d.stock().name(), ", nothing of the chart: it doesn't fit");
        }
        Placed placed = page.placed().get(0);
        return new Said(size(placed), picture(placed.atMm()) + white(placed.atMm(), page.heightMm() - placed.atMm().bottom()));
    }

    @Override
    public Said ruler(Ruler plan) {
        Page page = layout.pages().get(0);
        if (page.placed().isEmpty()) {
            return new Said(d.stock().name() + " is too small", ", nothing: the lines would be too short to tell anything");
        }
        Ruler.Lengths lengths = Ruler.lengths(d.stock(), page.unprintable());
        String lines = Length.mm(lengths.acrossMm()) + " mm across and " + Length.mm(lengths.alongMm()) + " mm along";
        return new Said(lines, ", ruled lines of " + lines);
    }
}
