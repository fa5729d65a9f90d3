package wistel.core.cgats;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import wistel.core.colour.Lab;
import wistel.core.fault.MeasurementException;

/**
 * A CGATS.17 / ISO 28178 measurement file with RGB device columns (0 to 100 or 0 to 255) and LAB columns. The text is kept, because a
 * profile made from it embeds it whole.
 */
public record Cgats(String text, List<Patch> patches) {
    /** The largest file read. */
    public static final int LARGEST_BYTES = 8 << 20;
    private static final int MOST_PATCHES = 50_000;

    public Cgats {
        patches = List.copyOf(patches);
    }

    /** @throws MeasurementException when columns are missing or a row can't be read; the row's number is in the message */
    public static Cgats parse(String text) {
        if (text.length() > LARGEST_BYTES) {
            throw broken("it is larger than " + (LARGEST_BYTES >> 20) + " MB");
        }
        String[] lines = text.split("\\R");
        List<String> columns = section(lines, "BEGIN_DATA_FORMAT", "END_DATA_FORMAT").stream()
            .flatMap(l -> List.of(l.trim().split("\\s+")).stream()).map(c -> c.toUpperCase(Locale.ROOT)).toList();
        int[] device = {columns.indexOf("RGB_R"), columns.indexOf("RGB_G"), columns.indexOf("RGB_B")};
        int[] lab = {columns.indexOf("LAB_L"), columns.indexOf("LAB_A"), columns.indexOf("LAB_B")};
        int id = Math.max(columns.indexOf("SAMPLE_ID"), 0);
        for (int i = 0; i < 3; i++) {
            if (device[i] < 0 || lab[i] < 0) {
                throw broken("it lacks the RGB or LAB columns");
            }
        }
        List<String> rows = section(lines, "BEGIN_DATA", "END_DATA");
        if (rows.size() > MOST_PATCHES) {
            throw broken("it has more than " + MOST_PATCHES + " rows");
        }
        List<String[]> fields = new ArrayList<>();
        double most = 0;
        for (String row : rows) {
            String[] f = row.trim().split("\\s+");
            if (f.length < columns.size()) {
                throw broken("row " + (fields.size() + 1) + " has " + f.length + " of " + columns.size() + " columns");
            }
            for (int d : device) {
                most = Math.max(most, number(f[d], fields.size() + 1));
            }
            fields.add(f);
        }
        double full = most > 100.5 ? 255 : 100;
        List<Patch> patches = new ArrayList<>();
        for (String[] f : fields) {
            int row = patches.size() + 1;
            patches.add(new Patch(f[id],
                new double[] {number(f[device[0]], row) / full, number(f[device[1]], row) / full, number(f[device[2]], row) / full},
                new Lab(number(f[lab[0]], row), number(f[lab[1]], row), number(f[lab[2]], row))));
        }
        return new Cgats(text, patches);
    }

    /** The same as text: device values 0 to 100, L*a*b* under D50, 2 degrees. */
    public static Cgats of(String originator, String description, List<Patch> patches) {
        StringBuilder out = new StringBuilder("CGATS.17\n")
            .append("ORIGINATOR \"").append(originator).append("\"\nDESCRIPTOR \"").append(description).append("\"\n")
            .append("MEASUREMENT_SOURCE \"Illumination=D50 ObserverAngle=2degree\"\n")
            .append("NUMBER_OF_FIELDS 7\nBEGIN_DATA_FORMAT\nSAMPLE_ID RGB_R RGB_G RGB_B LAB_L LAB_A LAB_B\nEND_DATA_FORMAT\n")
            .append("NUMBER_OF_SETS ").append(patches.size()).append("\nBEGIN_DATA\n");
        for (Patch p : patches) {
            out.append(String.format(Locale.ROOT, "%s %.4f %.4f %.4f %.3f %.3f %.3f%n", p.id(), 100 * p.device()[0], 100 * p.device()[1],
                100 * p.device()[2], p.lab().l(), p.lab().a(), p.lab().b()));
        }
        return new Cgats(out.append("END_DATA\n").toString(), patches);
    }

    private static List<String> section(String[] lines, String begin, String end) {
        List<String> found = new ArrayList<>();
        boolean inside = false;
        for (String line : lines) {
            String mark = line.trim();
            if (mark.equals(begin)) {
                inside = true;
            } else if (mark.equals(end)) {
                return found;
            } else if (inside && !mark.isEmpty() && !mark.startsWith("#")) {
                found.add(mark);
            }
        }
        throw broken("the part from " + begin + " to " + end + " is missing or cut off");
    }

    private static double number(String text, int row) {
        try {
            double v = Double.parseDouble(text);
            if (Double.isFinite(v) && Math.abs(v) < 1e6) {
                return v;
            }
        } catch (NumberFormatException e) {
            // told below, with the row
        }
        throw broken("row " + row + " holds '" + (text.length() > 20 ? text.substring(0, 20) : text) + "' where a number belongs");
    }

    private static MeasurementException broken(String why) {
        return new MeasurementException("chart-unreadable", "This measurement file can't be used: " + why + ".",
            "Export it again as CGATS text with RGB and LAB columns.");
    }
}
