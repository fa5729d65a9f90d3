package wistel.core.render;

import java.util.Optional;
import wistel.core.length.Length;
import wistel.core.pictures.GrownTexture;
import wistel.core.pictures.PixelRuns;
import wistel.core.pictures.SideMoves;
import wistel.core.pictures.Surround;
import wistel.core.rendition.PicturePlaces;
import wistel.core.rendition.PlacedTransform;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Rect;
import wistel.core.sheet.WrappedSides;

/**
 * A placed picture with its sides, on the raster. The face is converted as any picture is. What is done to the sides alone is a second
 * conversion that the first one goes over into behind the fold. Safe for any number of threads.
 */
final class SidedPiece {
    /** Columns that are blurred at once. */
    private static final int CHUNK = 1024;

    private final Surround surround;
    private final Box grown;
    private final Box face;
    private final SideMoves moves;
    private final PlacedTransform conversion;
    private final PlacedTransform ofSides;
    private final PicturePlaces places;
    private final double pixelsPerMm;
    private final int n;

    /** In pixels of the raster: left, top, and what lies behind. */
    private record Box(int left, int top, int right, int bottom) {
        static Box of(int[] at) {
            return new Box(at[0], at[1], at[2], at[3]);
        }
    }

    /**
     * The picture as it is printed, from (x, y) of the raster on.
     *
     * @param places of the raster's first pixel
     */
    record Base(PixelRuns picture, int x, int y, PicturePlaces places) {
    }

    private SidedPiece(LayoutRenderer.Job job, Placed placed, Base base, Optional<GrownTexture> texture) {
        WrappedSides sides = placed.sides().orElseThrow();
        Box asked = box(job, sides.grownMm());
        Box whole = new Box(base.x, base.y, base.x + base.picture.width(), base.y + base.picture.height());
        // whole pixels: the picture may reach a pixel farther than what is asked for
        this.grown = new Box(Math.min(asked.left, whole.left), Math.min(asked.top, whole.top), Math.max(asked.right, whole.right),
            Math.max(asked.bottom, whole.bottom));
        this.face = box(job, sides.faceMm());
        this.moves = sides.moves();
        this.conversion = job.picture(placed).conversion();
        this.ofSides = job.sides().get(placed.id()).conversion();
        this.places = base.places;
        this.pixelsPerMm = job.dpi() / Length.MM_PER_INCH;
        this.n = base.picture.channels();
        Surround.Ring ring = new Surround.Ring(whole.left - grown.left, whole.top - grown.top, grown.right - whole.right,
            grown.bottom - whole.bottom);
        this.surround = new Surround(base.picture, ring, sides.fill(), pixelsPerMm, texture);
    }

    static SidedPiece of(LayoutRenderer.Job job, Placed placed, Base base) {
        Optional<GrownTexture> texture = job.sides().get(placed.id()).grown()
            .map(g -> g.turned(placed.orientation().then(job.page().feedTurn())));
        return new SidedPiece(job, placed, base, texture);
    }

    private static Box box(LayoutRenderer.Job job, Rect mm) {
        return Box.of(job.onRaster(mm.turned(job.page().feedTurn(), job.page().widthMm(), job.page().heightMm())));
    }

    /** Draws what of it lies in a band of whole rows from row {@code top} on. */
    void draw(char[] band, int width, int top, int channels) {
        int rows = band.length / (width * channels);
        int from = Math.max(grown.top, top);
        int to = Math.min(grown.bottom, top + rows);
        int left = Math.max(0, grown.left);
        int right = Math.min(width, grown.right);
        if (from >= to || left >= right) {
            return;
        }
        for (int y = from; y < to; y++) {
            char[] row = surround.block(left - grown.left, right - grown.left, y - grown.top, y - grown.top + 1);
            conversion.apply(row, 0, band, ((y - top) * width + left) * channels, right - left, places.from(left, y));
        }
        if (!moves.changesNothing()) {
            moved(band, width, top, channels, new Box(left, Math.max(from, top), right, Math.min(to, face.top)));
            moved(band, width, top, channels, new Box(left, Math.max(from, face.bottom), right, to));
            moved(band, width, top, channels,
                new Box(left, Math.max(from, face.top), Math.min(right, face.left), Math.min(to, face.bottom)));
            moved(band, width, top, channels,
                new Box(Math.max(left, face.right), Math.max(from, face.top), right, Math.min(to, face.bottom)));
        }
    }

    private void moved(char[] band, int width, int top, int channels, Box part) {
        if (part.top >= part.bottom) {
            return;
        }
        for (int left = part.left; left < part.right; left += CHUNK) {
            chunk(band, width, top, channels, new Box(left, part.top, Math.min(part.right, left + CHUNK), part.bottom));
        }
    }

    private void chunk(char[] band, int width, int top, int channels, Box part) {
        int columns = part.right - part.left;
        double sigma = moves.softMm() * pixelsPerMm;
        int x = part.left - grown.left;
        int y = part.top - grown.top;
        char[] rows = sigma > 0 ? surround.softened(x, x + columns, y, y + part.bottom - part.top, sigma)
            : surround.block(x, x + columns, y, y + part.bottom - part.top);
        char[] converted = new char[columns * channels];
        for (int row = part.top; row < part.bottom; row++) {
            ofSides.apply(rows, (row - part.top) * columns * n, converted, 0, columns, places.from(part.left, row));
            int at = ((row - top) * width + part.left) * channels;
            double down = Math.max(face.top - row - 0.5, row + 0.5 - face.bottom);
            for (int i = 0; i < columns; i++) {
                double across = Math.max(face.left - (part.left + i) - 0.5, part.left + i + 0.5 - face.right);
                double share = SideMoves.share(Math.max(across, down) / pixelsPerMm);
                for (int c = 0; c < channels; c++) {
                    int place = at + i * channels + c;
                    band[place] = (char) Math.round(band[place] + share * (converted[i * channels + c] - band[place]));
                }
            }
        }
    }
}
