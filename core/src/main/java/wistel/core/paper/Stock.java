package wistel.core.paper;

import java.util.Locale;
import wistel.core.fault.InvalidRequest;
import wistel.core.length.Length;

/** The paper that is to be printed on, as it lies there. */
public sealed interface Stock {
    double SHORTEST_MM = 50;
    double LONGEST_MM = 5000;

    /** For people. */
    String name();

    /** A sheet; the width is its short edge, which leads into the printer. */
    record Sheet(String name, double widthMm, double lengthMm) implements Stock {
        /** @throws InvalidRequest when no such sheet can be */
        public Sheet {
            if (!(widthMm >= SHORTEST_MM && lengthMm >= widthMm && lengthMm <= LONGEST_MM) || name.isBlank() || name.length() > 80) {
                throw new InvalidRequest(InvalidRequest.Reason.SHEET_OUT_OF_RANGE, "A sheet of " + widthMm + " × " + lengthMm + " mm can't be.", "Sheets go from 50 mm to 5 m, the short edge first.");
            }
        }

        public static Sheet of(SheetSize size) {
            return new Sheet(size.name(), size.widthMm(), size.heightMm());
        }

        /** Self-describing media name (PWG 5101.1). */
        public String ippName() {
            return SheetSize.near(widthMm, lengthMm).map(SheetSize::ippName)
                .orElseGet(() -> String.format(Locale.ROOT, "custom_sheet_%sx%smm", number(widthMm), number(lengthMm)));
        }

        private static String number(double mm) {
            return Length.mm(mm);
        }
    }
}
