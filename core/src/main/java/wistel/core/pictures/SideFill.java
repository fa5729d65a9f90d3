package wistel.core.pictures;

import java.util.Arrays;
import java.util.List;
import wistel.core.fault.InvalidRequest;

/** What the sides of a wrapped picture show. All of them leave the face as it is. */
public sealed interface SideFill {
    /** In a few words, as it stands in sentences. */
    String words();

    /** The picture itself goes round the edge: what lies on the sides is lost to the face. */
    record Itself() implements SideFill {
        @Override
        public String words() {
            return "the picture itself round the sides";
        }
    }

    /** The picture mirrored at each edge of the face. */
    record Mirrored() implements SideFill {
        @Override
        public String words() {
            return "mirrored sides";
        }
    }

    /** The outermost millimetres mirrored, and stretched more and more: at the fold they go on at their own scale. */
    record Stretched() implements SideFill {
        @Override
        public String words() {
            return "stretched sides";
        }
    }

    /**
     * One colour, the mean of a patch of the picture in linear light.
     *
     * @param codes the colour in the picture's own codes, 0 to 65535 a channel; kept, so that a print doesn't depend on how the patch was
     *              read
     */
    record OneColour(Patch patch, List<Integer> codes) implements SideFill {
        public OneColour {
            codes = List.copyOf(codes);
            if (codes.size() != 1 && codes.size() != 3 || codes.stream().anyMatch(c -> c < 0 || c > 65535)) {
                throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "That is no colour of a picture.",
                    "Pick a patch of the picture.");
            }
        }

        @Override
        public String words() {
            return "sides in one colour";
        }
    }

    /**
     * New texture of the picture's own, grown outwards ({@link PatchSynthesis}).
     *
     * @param seed another one grows other texture
     */
    record Extended(int seed) implements SideFill {
        public Extended {
            if (seed < 0) {
                throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "Seeds go from 0 on.", "Take another one.");
            }
        }

        @Override
        public String words() {
            return "sides grown outwards";
        }
    }

    /** A part of the upright picture, in shares of its width and height. */
    record Patch(double x, double y, double width, double height) {
        private static final double SHARE_TOLERANCE = 1e-6;

        /** @throws InvalidRequest when it is no part of the picture */
        public Patch {
            if (!(x >= -SHARE_TOLERANCE && y >= -SHARE_TOLERANCE && width > 0 && height > 0 && x + width <= 1 + SHARE_TOLERANCE
                && y + height <= 1 + SHARE_TOLERANCE)) {
                throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "This patch lies outside the picture.",
                    "Pick one inside of it.");
            }
        }

        /** The same content in another file of the picture, as far as that shows it. */
        public Patch in(SameContent content) {
            double w = Math.min(1, content.across(width));
            double h = Math.min(1, content.down(height));
            return new Patch(Math.max(0, Math.min(1 - w, content.x(x))), Math.max(0, Math.min(1 - h, content.y(y))), w, h);
        }

        /** The mean of what lies in it, averaged as light. */
        public List<Integer> meanOf(View picture, LightCurve light) {
            int left = (int) Math.min(picture.width() - 1, Math.max(0, x) * picture.width());
            int top = (int) Math.min(picture.height() - 1, Math.max(0, y) * picture.height());
            int right = (int) Math.max(left + 1, Math.min(picture.width(), Math.round((x + width) * picture.width())));
            int bottom = (int) Math.max(top + 1, Math.min(picture.height(), Math.round((y + height) * picture.height())));
            int n = picture.channels();
            double[] sum = new double[n];
            for (int row = top; row < bottom; row++) {
                for (int i = (row * picture.width() + left) * n; i < (row * picture.width() + right) * n; i++) {
                    sum[i % n] += light.light(picture.pixels()[i]);
                }
            }
            int count = (right - left) * (bottom - top);
            return Arrays.stream(sum).mapToObj(s -> (int) light.code((float) (s / count))).toList();
        }
    }
}
