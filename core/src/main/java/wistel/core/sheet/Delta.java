package wistel.core.sheet;

import java.util.Locale;
import java.util.Objects;
import wistel.core.fault.InvalidRequest;

/** One thing in which a piece of a test strip differs from the picture as it stands. */
public sealed interface Delta {
    Varied what();

    /** The piece as it stands is always among the others. */
    boolean asItIs();

    /** As it is written below the piece; what is as it is says nothing. */
    String words();

    /** @param by what a slider is moved by from where it stands; 0 for as it is */
    record Shift(Varied what, double by) implements Delta {
        /** @throws InvalidRequest when it isn't moved by numbers, or farther than its slider is long */
        public Shift {
            if (!what.slides() || !(Math.abs(by) <= 2 * what.most())) {
                throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "The " + what.word() + " can't be moved by " + by + ".",
                    "Stay within " + Math.round(2 * what.most()) + " either way.");
            }
        }

        @Override
        public boolean asItIs() {
            return by == 0;
        }

        @Override
        public String words() {
            String number = by == Math.rint(by) ? Long.toString(Math.round(Math.abs(by)))
                : String.format(Locale.ROOT, "%.1f", Math.abs(by));
            return asItIs() ? "" : what.word() + " " + (by > 0 ? "+" : "−") + number;
        }
    }

    /**
     * @param value its name in what is chosen among; empty for as it is
     * @param words as it is called
     */
    record Instead(Varied what, String value, String words) implements Delta {
        private static final int LONGEST = 120;

        /** @throws InvalidRequest when it is moved by numbers, or a text is too long */
        public Instead {
            Objects.requireNonNull(value);
            if (what.slides() || value.length() > LONGEST || words.length() > LONGEST) {
                throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE, "There is no such choice of " + what.word() + ".",
                    "Choose among those that are offered.");
            }
        }

        @Override
        public boolean asItIs() {
            return value.isEmpty();
        }
    }
}
