package wistel.core.icc.stage;

import java.util.Optional;

/**
 * A change of L*a*b* that says which of its parts can be tabled apart: tables of one or two inputs are exact where a grid of three is not.
 */
public interface LabChange extends LabFunction {
    Form form();

    sealed interface Form {
        /**
         * Lightness by itself, then colour by colour, then a tint.
         *
         * @param of     what the tones of colours are
         * @param tones  changes L* by L* alone
         * @param colour empty when it stays
         * @param tint   adds to a* and b* by L* alone
         */
        record TonesFirst(TonesOf of, LabFunction tones, Optional<OklabPlane> colour, LabFunction tint) implements Form {
        }

        /**
         * All colours of one lightness become one.
         *
         * @param mix         what is added to L* by a colour's place in Oklab's plane, before; empty when nothing is
         * @param ofLightness from L* and no colour to the result
         */
        record Collapsed(Optional<OklabPlane> mix, LabFunction ofLightness) implements Form {
        }
    }

    /** What a function of L* does to colours. Neutrals have the same by either. */
    enum TonesOf {
        /** Moves Oklab's L, which of a neutral is L* in another scale; chroma falls with it where it falls. */
        OKLAB,
        /** Moves L* and keeps a* and b*, so that what it darkens much may become a colour that can't be. Old print files were made so. */
        LAB
    }

    /** A function of Oklab's a and b. */
    interface OklabPlane {
        /**
         * @param at the a and b that come in; a and b that go out, and third what is added: to L*, or to Oklab's L weighted 4 L (1 - L), as
         *           whoever uses it says
         */
        void apply(double[] at);
    }
}
