package wistel.core.render;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import wistel.core.icc.transform.Transform;
import wistel.core.pictures.Orientation;
import wistel.core.pictures.View;
import wistel.core.rendition.LocalMove;
import wistel.core.rendition.PicturePlaces;
import wistel.core.sheet.Mark;
import wistel.core.sheet.OwnMark;
import wistel.core.sheet.PictureStamp;
import wistel.core.sheet.Rect;

/**
 * Marks of one's own on a page's raster. They are blended in {@code RenditionCompiler.WORKING} with what lies below, 16 bit, and the result
 * is converted once, as pictures are.
 */
public final class StampLayer {
    private static final int CHANNELS = 3;

    /** @param at left, top, right, bottom on the raster; {@code shown} what of that is printed */
    private record Lain(Mark.Stamp stamp, StampArt art, Orientation turn, int[] at, int[] shown) {
    }

    private final List<Lain> lain = new ArrayList<>();

    StampLayer(LayoutRenderer.Job job, Map<String, StampArt> arts) {
        for (Mark mark : job.page().marks()) {
            if (mark instanceof Mark.Stamp stamp) {
                StampArt art = arts.get(stamp.art().content());
                if (art == null) {
                    throw new IllegalArgumentException("no picture of the mark " + stamp.art().name());
                }
                lain.add(new Lain(stamp, art, stamp.orientation().then(job.page().feedTurn()), on(job, stamp.atMm()),
                    on(job, stamp.shownMm())));
            }
        }
    }

    private static int[] on(LayoutRenderer.Job job, Rect mm) {
        return job.onRaster(mm.turned(job.page().feedTurn(), job.page().widthMm(), job.page().heightMm()));
    }

    /** Whether anything of them lies in rows of the raster. */
    boolean in(int top, int rows) {
        return lain.stream().anyMatch(s -> s.at[1] < top + rows && s.at[3] > top);
    }

    /**
     * Draws what of them lies in a band of whole rows from row {@code top} on.
     *
     * @param below the band's colours in WORKING; they are changed too
     */
    void draw(char[] below, char[] band, int width, int top, LayoutRenderer.Stamps by) {
        Transform onward = by.onward();
        int rows = below.length / (width * CHANNELS);
        for (Lain s : lain) {
            int left = Math.max(0, Math.max(s.at[0], s.shown[0]));
            int right = Math.min(width, Math.min(s.at[2], s.shown[2]));
            int from = Math.max(top, Math.max(s.at[1], s.shown[1]));
            int to = Math.min(top + rows, Math.min(s.at[3], s.shown[3]));
            if (left >= right || from >= to) {
                continue;
            }
            int wide = s.at[2] - s.at[0];
            StampArt.Cover cover = s.art.rows(s.turn, new int[] {wide, s.at[3] - s.at[1]}, from - s.at[1], to - from);
            Blend blend = new Blend(s.stamp.ink(), s.stamp.opacity(), s.art.covers(), by.neutral(), by.white());
            for (int y = from; y < to; y++) {
                int row = ((y - top) * width + left) * CHANNELS;
                boolean[] touched = new boolean[right - left];
                for (int x = left; x < right; x++) {
                    int pixel = (y - from) * wide + x - s.at[0];
                    touched[x - left] = blend.pixel(below, row + (x - left) * CHANNELS, cover.codes(), pixel * CHANNELS,
                        cover.share()[pixel]);
                }
                onward(below, row, touched, band, ((y - top) * width + left) * onward.outputs(), onward);
            }
        }
    }

    /** What wasn't touched stays to the bit. */
    private static void onward(char[] below, int at, boolean[] touched, char[] band, int to, Transform onward) {
        for (int x = 0; x < touched.length; x++) {
            int from = x;
            while (x < touched.length && touched[x]) {
                x++;
            }
            if (x > from) {
                onward.apply(below, at + from * CHANNELS, band, to + from * onward.outputs(), x - from);
            }
        }
    }

    /**
     * @param covers  see {@link StampArt#covers}
     * @param neutral a mark's colours are taken as gray
     */
    private record Blend(OwnMark.Ink ink, double opacity, boolean covers, boolean neutral, char[] white) {
        /** @return whether the mark covers anything of it */
        boolean pixel(char[] below, int at, char[] mark, int from, float share) {
            double part = opacity * share * (ink != OwnMark.Ink.OWN && covers ? dark(mark, from) : 1);
            if (part <= 0) {
                return false;
            }
            for (int c = 0; c < CHANNELS; c++) {
                double target = switch (ink) {
                    case OWN -> neutral ? (double) white[c] * mark[from + 1] / white[1] : mark[from + c];
                    case DARKENS -> 0;
                    case LIGHTENS -> white[c];
                };
                below[at + c] = (char) Math.round(below[at + c] + part * (target - below[at + c]));
            }
            return true;
        }

        /** By luminance: WORKING's second channel is Y. */
        private double dark(char[] mark, int from) {
            return Math.max(0, 1 - (double) mark[from + 1] / white[1]);
        }
    }

    /**
     * @param stamp where it lies on what is printed of a picture
     * @param white bare paper in WORKING
     */
    public record OnPicture(PictureStamp stamp, StampArt art, char[] white) {
    }

    /**
     * Lays marks over a view of a picture, as a print of it will have them.
     *
     * @param working codes of WORKING, changed in place
     * @param places  of its pixels in the picture
     * @param changed by row, set where anything was
     */
    public static void over(View working, PicturePlaces places, List<OnPicture> marks, boolean[] changed) {
        for (OnPicture mark : marks) {
            LocalMove.PrintFrame frame = places.frame();
            PictureStamp s = mark.stamp;
            int wide = (int) Math.max(1,
                Math.round(s.width() * frame.width() / Math.hypot(places.acrossX(), places.acrossY() / places.aspect())));
            int high = (int) Math.max(1,
                Math.round(s.height() * frame.height() / Math.hypot(places.downY(), places.downX() * places.aspect())));
            StampArt.Cover cover = mark.art.rows(Orientation.UPRIGHT, new int[] {wide, high}, 0, high);
            Blend blend = new Blend(s.ink(), s.opacity(), mark.art.covers(), false, mark.white);
            // shares of what is printed change evenly along rows and columns
            double[] first = share(places, 0, 0);
            double[] next = share(places, 1, 0);
            double[] below = share(places, 0, 1);
            for (int y = 0; y < working.height(); y++) {
                for (int x = 0; x < working.width(); x++) {
                    double atX = first[0] + x * (next[0] - first[0]) + y * (below[0] - first[0]);
                    double atY = first[1] + x * (next[1] - first[1]) + y * (below[1] - first[1]);
                    int column = (int) Math.floor((atX - s.x()) / s.width() * wide);
                    int row = (int) Math.floor((atY - s.y()) / s.height() * high);
                    if (column >= 0 && row >= 0 && column < wide && row < high && atX >= 0 && atX <= 1 && atY >= 0 && atY <= 1) {
                        int pixel = row * wide + column;
                        changed[y] |= blend.pixel(working.pixels(), (y * working.width() + x) * CHANNELS, cover.codes(), pixel * CHANNELS,
                            cover.share()[pixel]);
                    }
                }
            }
        }
    }

    /** Where a pixel lies in what is printed. */
    private static double[] share(PicturePlaces places, int column, int row) {
        PicturePlaces at = places.from(column, row);
        return at.frame().share(at.x(), at.y(), at.aspect());
    }
}
