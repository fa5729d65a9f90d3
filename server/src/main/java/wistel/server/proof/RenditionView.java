package wistel.server.proof;

import java.util.List;
import java.util.Optional;
import wistel.core.pictures.View;
import wistel.core.render.StampLayer;
import wistel.core.rendition.LinearisationStep;
import wistel.core.rendition.LocalMove;
import wistel.core.rendition.Move;
import wistel.core.rendition.PicturePlaces;
import wistel.core.rendition.RenditionChange;
import wistel.core.rendition.Treatment;
import wistel.core.sheet.Placed;
import wistel.server.docket.DocketAssessment;
import wistel.server.master.Master;

/**
 * A master with what happens to its colours before they are converted.
 *
 * @param framed  what is printed of it, which edges follow
 * @param printed the parts of it that are printed, where figures are to count those alone; empty to count all of it
 * @param stamps  marks of one's own that lie over it in pictures; figures know nothing of them
 */
public record RenditionView(Master master, RenditionChange change, LocalMove.PrintFrame framed, List<Placed> printed,
    List<StampLayer.OnPicture> stamps) {
    public RenditionView(Master master, RenditionChange change) {
        this(master, change, LocalMove.PrintFrame.WHOLE, List.of(), List.of());
    }

    /** The same, figures taken from what lies on paper alone. */
    RenditionView on(DocketAssessment judged, String renditionId) {
        return new RenditionView(master, change, judged.framed(renditionId), judged.layout().printed(renditionId), stamps);
    }

    /** The same, its edges those of what is printed. */
    RenditionView framedBy(DocketAssessment judged, String renditionId) {
        return new RenditionView(master, change, judged.framed(renditionId), printed, stamps);
    }

    private RenditionView with(RenditionChange next) {
        return new RenditionView(master, next, framed, printed, stamps);
    }

    /** As it came. */
    RenditionView untreated() {
        return with(RenditionChange.NONE);
    }

    RenditionView straightened(Optional<LinearisationStep> next) {
        return with(change.straightened(next));
    }

    /** As a driver's monochrome mode is sent it. */
    RenditionView toDriverGray() {
        return with(change.toDriverGray());
    }

    /** With other moves of all of it. */
    RenditionView moved(List<Move> moves) {
        return with(new RenditionChange(change.treatment(), moves, change.straightening()).locally(change.local()));
    }

    /** The print without its moves. */
    RenditionView withoutMoves() {
        return with(new RenditionChange(change.treatment(), List.of(), change.straightening()));
    }

    /** Treated, with no moves: what the print is judged against. */
    RenditionView uncompensated() {
        return with(new RenditionChange(change.treatment(), List.of()));
    }

    /** Treated, with what a person wants of its places, edges and slopes. */
    RenditionView locallyMoved() {
        return with(new RenditionChange(change.treatment(), List.of()).locally(change.local()));
    }

    /** The moves of all of it alone. */
    RenditionView inColour() {
        return with(new RenditionChange(new Treatment.Colour(), change.moves(), change.straightening()));
    }

    /** Where the pixels of a view of all of it lie. */
    PicturePlaces places(View view) {
        return PicturePlaces.whole(view.width(), view.height(), framed);
    }

    /** What of a placed part is seen once it is hung. */
    PicturePlaces.Part part(Placed placed) {
        return new PicturePlaces.Part(master.width(), master.height(), placed.face().crop(), placed.straighten());
    }
}
