package wistel.core.sheet;

import java.util.List;

/**
 * A straight cut from edge to edge of the part of the page that is in hand.
 *
 * @param page    1 for the first
 * @param number  in the order in which a person makes them, from 1 on each page
 * @param down    the cut goes from above to below, else from left to right
 * @param atMm    its place, from the left or from above
 * @param fromMm  where it begins, along it
 * @param toMm    where it ends
 * @param offMm   how far it lies from the part's edge: what a trimmer is set to
 * @param off     ids of what lies on the part that comes off, left of the cut or above it
 */
public record CutLine(int page, int number, boolean down, double atMm, double fromMm, double toMm, double offMm, List<String> off) {
    public CutLine {
        off = List.copyOf(off);
    }
}
