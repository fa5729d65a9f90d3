package wistel.core.rendition;

import wistel.core.icc.stage.LabFunction;

/** How a picture is seen before its colour is converted. */
public sealed interface Treatment {
    /** Changes nothing where {@link #changesNothing()}. */
    LabFunction function();

    boolean changesNothing();

    String words();

    /** In its own colours. */
    record Colour() implements Treatment {
        @Override
        public LabFunction function() {
            return (lab, at) -> {};
        }

        @Override
        public boolean changesNothing() {
            return true;
        }

        @Override
        public String words() {
            return "in colour";
        }
    }

    /** In one tone from black to paper. */
    record Monochrome(HueMix mix, Toning toning) implements Treatment {
        public static final Monochrome NEUTRAL = new Monochrome(HueMix.EVEN, Toning.NEUTRAL);

        @Override
        public LabFunction function() {
            LabFunction gray = mix.function();
            LabFunction toned = toning.function();
            return toning.changesNothing() ? gray : (lab, at) -> {
                gray.apply(lab, at);
                toned.apply(lab, at);
            };
        }

        @Override
        public boolean changesNothing() {
            return false;
        }

        @Override
        public String words() {
            String mixed = mix.even() ? "monochrome" : "monochrome with " + mix.words();
            return toning.changesNothing() ? mixed : mixed + ", " + toning.words();
        }
    }
}
