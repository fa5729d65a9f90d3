package wistel.core.paper;

import wistel.core.fault.InvalidRequest;
import wistel.core.length.Length;

/** The paper that is to be printed on, as it lies there. */
public sealed interface Stock {
    double SHORTEST_MM = 50;
    double LONGEST_MM = 5000;

    /** For people. */
    String name();

    /** Its width as it feeds. */
    double widthMm();

    /** A sheet; the width is its short edge, which leads into the printer. */
    record Sheet(String name, double widthMm, double lengthMm) implements Stock {
        /** @throws InvalidRequest when no such sheet can be */
        public Sheet {
            if (!(widthMm >= SHORTEST_MM && lengthMm >= widthMm && lengthMm <= LONGEST_MM) || name.isBlank() || name.length() > 80) {
                throw new InvalidRequest(InvalidRequest.Reason.SHEET_OUT_OF_RANGE,
                    "A sheet of " + widthMm + " × " + lengthMm + " mm can't be.", "Sheets go from 50 mm to 5 m, the short edge first.");
            }
        }

        public static Sheet of(SheetSize size) {
            return new Sheet(size.name(), size.widthMm(), size.heightMm());
        }
    }

    /** A roll, cut to the length that the work takes. */
    record Roll(double widthMm) implements Stock {
        /** @throws InvalidRequest when no such roll can be */
        public Roll {
            if (!(widthMm >= SHORTEST_MM && widthMm <= LONGEST_MM)) {
                throw new InvalidRequest(InvalidRequest.Reason.SHEET_OUT_OF_RANGE, "A roll of " + widthMm + " mm can't be.",
                    "Rolls go from 50 mm to 5 m.");
            }
        }

        @Override
        public String name() {
            return "roll of " + widthWords();
        }

        /** As rolls are called: "17 in", or in millimetres where that is no whole number of inches. */
        public String widthWords() {
            double inches = widthMm / Length.MM_PER_INCH;
            return Math.abs(inches - Math.rint(inches)) < 0.01 ? Math.round(inches) + " in" : Length.mm(widthMm) + " mm";
        }
    }
}
