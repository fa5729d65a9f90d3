package wistel.core.icc.making;

/** What a person decides about a profile that is made. Relative colorimetric tables follow the measurements whatever is chosen. */
public record ProfileChoices(Compression compression, GrayBalance grays, Tables tables) {
    public static final ProfileChoices USUAL = new ProfileChoices(Compression.MIDDLE, GrayBalance.PAPER, Tables.USUAL);

    /** How far the perceptual rendering draws vivid colours in to keep what tells them apart. */
    public enum Compression {
        SOFT(0.94), MIDDLE(0.85), STRONG(0.72);

        /** Of chroma above the knee. */
        private final double slope;

        Compression(double slope) {
            this.slope = slope;
        }

        double slope() {
            return slope;
        }
    }

    /** What grays of the perceptual and saturation renderings look like. */
    public enum GrayBalance {
        /** The paper's own white all the way down, which is what the eye that has settled on the paper takes for gray. */
        PAPER,
        /** Gray under D50 whatever the paper is; only towards white they take on its tint. */
        D50
    }

    /** Nodes along each side of the tables: the file grows with their third power. */
    public enum Tables {
        SMALL(17, 21), USUAL(21, 33), LARGE(33, 45);

        private final int forward;
        private final int inverse;

        Tables(int forward, int inverse) {
            this.forward = forward;
            this.inverse = inverse;
        }

        int forward() {
            return forward;
        }

        int inverse() {
            return inverse;
        }
    }
}
