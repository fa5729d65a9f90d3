package wistel.standin.room;

import wistel.core.length.Length;
import wistel.core.length.Range;
import wistel.core.paper.SheetSize;
import wistel.standin.ink.Paper;

/** What lies in a feed. */
public record Loaded(SheetSize size, Paper paper, int sheets) {
    /** A roll; its size's height is what is left on it. */
    public static Loaded roll(double widthMm, double leftMm, Paper paper) {
        return roll(widthMm, leftMm, paper, 1);
    }

    static Loaded roll(double widthMm, double leftMm, Paper paper, int there) {
        return new Loaded(new SheetSize("roll of " + Math.round(widthMm / 25.4) + " in",
            "roll_loaded_" + Length.mm(widthMm) + "x" + Length.mm(leftMm) + "mm", widthMm, leftMm), paper, there);
    }

    /** An offer is for what lies here. */
    public boolean lies(MachineModel.Offer offer) {
        return offer.widthMm().holds(size.widthMm()) && (offer.feed().equals(Feeds.ROLL) || offer.lengthMm().holds(size.heightMm()));
    }

    /** The offer as it stands with what is left of a roll, or for this very sheet. */
    public MachineModel.Offer cut(MachineModel.Offer o) {
        Range length = o.feed().equals(Feeds.ROLL) ? new Range(o.lengthMm().from(), Math.max(o.lengthMm().from(), size.heightMm()))
            : Range.only(size.heightMm());
        return new MachineModel.Offer(Range.only(size.widthMm()), length, o.paper(), o.feed(), o.thickestMm(), o.lead(), o.right(),
            o.trail(), o.left());
    }

    /** It can take a page of this size. */
    boolean holds(String feed, double widthMm, double lengthMm) {
        boolean wide = Math.abs(size.widthMm() - widthMm) < 0.6;
        return sheets > 0 && wide
            && (feed.equals(Feeds.ROLL) ? size.heightMm() >= lengthMm : Math.abs(size.heightMm() - lengthMm) < 0.6);
    }

    /** After a page was taken. */
    Loaded less(String feed, double lengthMm) {
        return feed.equals(Feeds.ROLL) ? roll(size.widthMm(), size.heightMm() - lengthMm, paper) : new Loaded(size, paper, sheets - 1);
    }
}
