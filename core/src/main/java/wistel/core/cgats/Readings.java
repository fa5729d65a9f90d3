package wistel.core.cgats;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.IntFunction;
import wistel.core.colour.D50;
import wistel.core.colour.Lab;
import wistel.core.colour.Reflectance;
import wistel.core.fault.MeasurementException;

/** Patches as an instrument's program wrote them down, one after the other, with or without what was sent for each. */
public record Readings(Kind kind, List<Reading> all) {
    /** What was measured of a patch. */
    public enum Kind {
        COLOUR,
        /** Density or L* alone: a* and b* are 0 and mean nothing. */
        LIGHTNESS
    }

    /**
     * @param gray     what was sent, 0 black to 1 paper, where the file says so
     * @param spectrum where the file has it
     */
    public record Reading(String id, OptionalDouble gray, Lab lab, Optional<Reflectance> spectrum) {
        public Reading(String id, OptionalDouble gray, Lab lab) {
            this(id, gray, lab, Optional.empty());
        }
    }

    private static final int MOST = 20_000;
    /** No print on paper is denser. */
    private static final double DENSEST = 5;
    private static final double NEUTRAL = 0.006;

    public Readings {
        all = List.copyOf(all);
    }

    /**
     * CGATS text with LAB, XYZ, spectral or visual density (D_VIS, DENSITY) columns; or plain lines of one number (L*, or density where
     * none exceeds 5) or of three (L*, a*, b*), a number before them counting the lines. Points or commas mark decimals.
     *
     * @throws MeasurementException when it is neither, when what was sent isn't neutral, or when a line can't be read; its number is in the
     *                              message
     */
    public static Readings parse(String text) {
        if (text.length() > Cgats.LARGEST_BYTES) {
            throw unclear("it is larger than " + (Cgats.LARGEST_BYTES >> 20) + " MB");
        }
        return text.contains("BEGIN_DATA") ? ofTable(Table.parse(text)) : ofLines(text);
    }

    /** As CGATS text, which {@link #parse} reads again: L*a*b*, or visual density where lightness alone is known. */
    public String text(String description) {
        boolean colour = kind == Kind.COLOUR;
        boolean told = all.stream().allMatch(r -> r.gray().isPresent());
        StringBuilder out = new StringBuilder("CGATS.17\nORIGINATOR \"Wistel\"\nDESCRIPTOR \"").append(description.replace('"', ' '))
            .append("\"\n")
            .append("MEASUREMENT_SOURCE \"Illumination=D50 ObserverAngle=2degree\"\n")
            .append("NUMBER_OF_FIELDS ").append(1 + (told ? 1 : 0) + (colour ? 3 : 1)).append("\nBEGIN_DATA_FORMAT\nSAMPLE_ID")
            .append(told ? " GRAY" : "").append(colour ? " LAB_L LAB_A LAB_B" : " D_VIS")
            .append("\nEND_DATA_FORMAT\nNUMBER_OF_SETS ").append(all.size()).append("\nBEGIN_DATA\n");
        for (Reading r : all) {
            out.append(r.id());
            r.gray().ifPresent(g -> out.append(String.format(Locale.ROOT, " %.4f", 100 * g)));
            out.append(colour ? String.format(Locale.ROOT, " %.4f %.4f %.4f\n", r.lab().l(), r.lab().a(), r.lab().b())
                : String.format(Locale.ROOT, " %.5f\n", -Math.log10(Math.max(1e-5, D50.luminance(r.lab().l())))));
        }
        return out.append("END_DATA\n").toString();
    }

    private static Readings ofTable(Table table) {
        boolean colours = table.has("LAB_L", "LAB_A", "LAB_B") || table.has("XYZ_X", "XYZ_Y", "XYZ_Z");
        Optional<String> density = colours ? Optional.empty() : List.of("D_VIS", "DENSITY").stream().filter(table::has).findFirst();
        Cgats.Measured measured = density
            .map(column -> new Cgats.Measured(row -> ofDensity(table.number(row, column)), Cgats.readableSpectrum(table)))
            .orElseGet(() -> Cgats.measured(table));
        Optional<IntFunction<double[]>> sent = Cgats.device(table).map(device -> Cgats.sent(table, device));
        List<Reading> all = new ArrayList<>();
        for (int row = 0; row < table.rows().size(); row++) {
            OptionalDouble gray = sent.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(gray(sent.get().apply(row), row));
            all.add(new Reading(Cgats.id(table, row), gray, measured.lab().apply(row), measured.spectrum(row)));
        }
        return new Readings(density.isPresent() ? Kind.LIGHTNESS : Kind.COLOUR, all);
    }

    /** Gray of equal RGB, of gray alone, of black ink alone. */
    private static double gray(double[] sent, int row) {
        double gray = sent.length == 4 ? 1 - sent[3] : sent[0];
        for (int i = 0; i < 3 && sent.length > 1; i++) {
            if (Math.abs(sent[i] - (sent.length == 4 ? 0 : gray)) > NEUTRAL) {
                throw unclear("row " + (row + 1) + " is of a coloured patch");
            }
        }
        return gray;
    }

    private static Lab ofDensity(double density) {
        if (!(density > -0.2 && density <= DENSEST)) {
            throw unclear("a density of " + density + " can't be");
        }
        return new Lab(D50.lightness(Math.pow(10, -density)), 0, 0);
    }

    private static Readings ofLines(String text) {
        List<double[]> lines = new ArrayList<>();
        int count = 0;
        for (String line : Table.lines(text, Readings::unclear)) {
            count++;
            List<String> words = Table.words(line.replace(';', ' '));
            if (words.isEmpty() || words.get(0).startsWith("#")) {
                continue;
            }
            double[] numbers = words.stream().map(Table::number).filter(OptionalDouble::isPresent).mapToDouble(OptionalDouble::getAsDouble)
                .toArray();
            boolean heading = lines.isEmpty() && numbers.length < words.size();
            if (numbers.length == words.size() && (lines.isEmpty() || numbers.length == lines.get(0).length)) {
                lines.add(numbers);
            } else if (!heading) {
                throw unclear("line " + count + " isn't like the ones before it");
            }
            if (lines.size() > MOST) {
                throw unclear("it has more than " + MOST + " lines");
            }
        }
        if (lines.isEmpty() || lines.get(0).length > 4) {
            throw unclear(lines.isEmpty() ? "there is no reading in it" : "its lines hold " + lines.get(0).length + " numbers");
        }
        return ofNumbers(lines);
    }

    private static Readings ofNumbers(List<double[]> lines) {
        int columns = lines.get(0).length;
        int first = columns % 2 == 0 ? 1 : 0;
        boolean colour = columns > 2;
        boolean density = !colour && lines.stream().allMatch(n -> n[first] <= DENSEST);
        List<Reading> all = new ArrayList<>();
        for (double[] n : lines) {
            Lab lab = colour ? new Lab(n[first], n[first + 1], n[first + 2]) : density ? ofDensity(n[first]) : new Lab(n[first], 0, 0);
            if (!(lab.l() >= -1 && lab.l() <= 110 && Math.abs(lab.a()) <= 150 && Math.abs(lab.b()) <= 150)) {
                throw unclear("line " + (all.size() + 1) + " is no L*a*b* of a print");
            }
            all.add(new Reading(String.valueOf(all.size() + 1), OptionalDouble.empty(), lab));
        }
        return new Readings(colour ? Kind.COLOUR : Kind.LIGHTNESS, all);
    }

    private static MeasurementException unclear(String why) {
        return new MeasurementException(MeasurementException.Reason.READING_UNCLEAR, "This reading can't be used: " + why + ".",
            "Export it as CGATS text with LAB, XYZ, spectral or D_VIS columns, or as plain lines of L*a*b* or density.");
    }
}
