package wistel.core.render;

import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import wistel.core.icc.transform.Transform;
import wistel.core.pictures.Crop;
import wistel.core.pictures.LightCurve;
import wistel.core.pictures.Orientation;
import wistel.core.pictures.Resampler;
import wistel.core.pictures.View;

/** What a mark of one's own shows, to be laid at any size: colours in {@code RenditionCompiler.WORKING}, and how much of them covers. */
public sealed interface StampArt {
    /** Its shape is what isn't transparent; of one that covers all, what is dark. */
    boolean covers();

    /**
     * @param turn how it lies on the raster
     * @param size of all of it there, in pixels: across and down
     */
    Cover rows(Orientation turn, int[] size, int top, int rows);

    /**
     * Rows of it.
     *
     * @param codes of WORKING, interleaved
     * @param share 0 nothing to 1 all, a pixel each
     */
    record Cover(char[] codes, float[] share) {
    }

    /**
     * A picture.
     *
     * @param premultiplied colours of WORKING times how much they cover, and that, in four channels
     */
    record Bitmap(View premultiplied, boolean covers) implements StampArt {
        private static final LightCurve STRAIGHT = new LightCurve(v -> v);
        private static final int CHANNELS = 4;

        public Bitmap {
            if (premultiplied.channels() != CHANNELS) {
                throw new IllegalArgumentException(premultiplied.channels() + " channels");
            }
        }

        @Override
        public Cover rows(Orientation turn, int[] size, int top, int rows) {
            View turned = premultiplied.oriented(turn);
            Resampler resampler = new Resampler(turned.width(), turned.height(), CHANNELS,
                Resampler.Size.of(Crop.whole(turned.width(), turned.height()), size[0], size[1]), STRAIGHT);
            char[] band = resampler.band(turned.pixels(), 0, top, top + rows);
            char[] codes = new char[size[0] * rows * 3];
            float[] share = new float[size[0] * rows];
            for (int i = 0; i < share.length; i++) {
                int alpha = band[CHANNELS * i + 3];
                share[i] = alpha / 65535f;
                for (int c = 0; alpha > 0 && c < 3; c++) {
                    codes[3 * i + c] = (char) Math.min(65535, Math.round(band[CHANNELS * i + c] * 65535.0 / alpha));
                }
            }
            return new Cover(codes, share);
        }
    }

    /** Draws itself into a rectangle from 0, 0 on, one wide and as high as its aspect says. */
    @FunctionalInterface
    interface Painter {
        void paint(Graphics2D g);
    }

    /**
     * A drawing or a text.
     *
     * @param aspect    width over height
     * @param toWorking from sRGB, in which it is drawn
     */
    record Painted(Painter painter, double aspect, Transform toWorking) implements StampArt {
        @Override
        public boolean covers() {
            return false;
        }

        @Override
        public Cover rows(Orientation turn, int[] size, int top, int rows) {
            BufferedImage image = new BufferedImage(size[0], rows, BufferedImage.TYPE_INT_ARGB);
            Graphics2D g = image.createGraphics();
            g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
            g.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
            g.translate(0, -top);
            g.transform(onto(turn, size));
            painter.paint(g);
            g.dispose();
            int[] argb = ((DataBufferInt) image.getRaster().getDataBuffer()).getData();
            char[] rgb = new char[3 * argb.length];
            float[] share = new float[argb.length];
            for (int i = 0; i < argb.length; i++) {
                share[i] = (argb[i] >>> 24) / 255f;
                for (int c = 0; c < 3; c++) {
                    rgb[3 * i + c] = (char) ((argb[i] >> 16 - 8 * c & 0xFF) * 257);
                }
            }
            return new Cover(toWorking.apply(rgb), share);
        }

        /** From its own rectangle to the raster's pixels. */
        private AffineTransform onto(Orientation turn, int[] size) {
            double[] origin = at(turn, 0, 0, size);
            double[] right = at(turn, 1, 0, size);
            double[] below = at(turn, 0, 1, size);
            return new AffineTransform(right[0] - origin[0], right[1] - origin[1], (below[0] - origin[0]) * aspect,
                (below[1] - origin[1]) * aspect, origin[0], origin[1]);
        }

        private static double[] at(Orientation turn, double x, double y, int[] size) {
            Orientation.Box shown = turn.shown(new Orientation.Box(x, y, 0, 0), 1, 1);
            return new double[] {shown.x() * size[0], shown.y() * size[1]};
        }
    }
}
