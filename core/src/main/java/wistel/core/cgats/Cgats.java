package wistel.core.cgats;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.IntFunction;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import wistel.core.colour.Lab;
import wistel.core.colour.Reflectance;
import wistel.core.fault.MeasurementException;

/**
 * A CGATS.17 / ISO 28178 measurement file: what was sent to the device, and what was measured of it under D50 for the 2 degree observer.
 * The text is kept, because a profile made from it embeds it whole.
 */
public record Cgats(String text, Device device, List<Patch> patches) {
    /** The largest file read. */
    public static final int LARGEST_BYTES = 8 << 20;
    /** An instrument may lie a little below black; whiteners shine, but not so. */
    private static final double LEAST_REFLECTANCE = 0.05;
    private static final double MOST_REFLECTANCE = 2.5;

    /** What the device columns are. */
    public enum Device {
        RGB("RGB_R", "RGB_G", "RGB_B"), CMYK("CMYK_C", "CMYK_M", "CMYK_Y", "CMYK_K"), GRAY("GRAY");

        private final String[] columns;

        Device(String... columns) {
            this.columns = columns;
        }
    }

    public Cgats {
        patches = List.copyOf(patches);
    }

    /**
     * Device columns RGB, CMYK (0 to 100 or 0 to 255) or gray (GRAY, light; GRAY_K, ink); colours as LAB, else XYZ (Y = 100 for white),
     * else spectral reflectance from 380 to 730 nm in columns that end in the wavelength; spectra beside the others are taken along.
     *
     * @throws MeasurementException when columns are missing or a row can't be read; the row's number is in the message
     */
    public static Cgats parse(String text) {
        Table table = table(text);
        Sheet sheet = sheet(table);
        Measured measured = measured(table);
        List<Patch> patches = new ArrayList<>();
        for (int row = 0; row < sheet.patches.size(); row++) {
            Sent sent = sheet.patches.get(row);
            patches.add(new Patch(sent.id, sent.device, measured.lab.apply(row), measured.spectrum(row)));
        }
        return new Cgats(text, sheet.device, patches);
    }

    private static Table table(String text) {
        if (text.length() > LARGEST_BYTES) {
            throw Table.broken("it is larger than " + (LARGEST_BYTES >> 20) + " MB");
        }
        return Table.parse(text);
    }

    /** @param device RGB values or one of gray or four of ink, 0 to 1 */
    public record Sent(String id, double[] device) {
    }

    /** What is to be sent to a device, before it is measured. */
    public record Sheet(Device device, List<Sent> patches) {
        public Sheet {
            patches = List.copyOf(patches);
        }
    }

    /**
     * A chart without what was measured of it: the device columns alone count.
     *
     * @throws MeasurementException when there are none, or a row can't be read
     */
    public static Sheet sheet(String text) {
        return sheet(table(text));
    }

    private static Sheet sheet(Table table) {
        Device device = device(table).orElseThrow(() -> Table.broken("it has no RGB, CMYK or gray columns"));
        IntFunction<double[]> sent = sent(table, device);
        List<Sent> patches = new ArrayList<>();
        for (int row = 0; row < table.rows().size(); row++) {
            patches.add(new Sent(id(table, row), sent.apply(row)));
        }
        return new Sheet(device, patches);
    }

    /** RGB patches to be printed, as a file that {@link #sheet(String)} reads. */
    public static String sheet(String description, List<Sent> patches) {
        StringBuilder out = new StringBuilder("CGATS.17\nORIGINATOR \"Wistel\"\nDESCRIPTOR \"").append(description.replace('"', ' '))
            .append("\"\nNUMBER_OF_FIELDS 4\nBEGIN_DATA_FORMAT\nSAMPLE_ID RGB_R RGB_G RGB_B\nEND_DATA_FORMAT\nNUMBER_OF_SETS ")
            .append(patches.size()).append("\nBEGIN_DATA\n");
        for (Sent p : patches) {
            out.append(p.id());
            for (double v : p.device()) {
                out.append(String.format(Locale.ROOT, " %.4f", 100 * v));
            }
            out.append('\n');
        }
        return out.append("END_DATA\n").toString();
    }

    static String id(Table table, int row) {
        return table.has("SAMPLE_ID") ? table.word(row, "SAMPLE_ID") : String.valueOf(row + 1);
    }

    static Optional<Device> device(Table table) {
        return Stream.of(Device.values()).filter(d -> table.has(d.columns) || d == Device.GRAY && table.has("GRAY_K")).findFirst();
    }

    /** What was sent in a row, 0 to 1. */
    static IntFunction<double[]> sent(Table table, Device device) {
        boolean ink = device == Device.GRAY && !table.has("GRAY");
        String[] columns = ink ? new String[] {"GRAY_K"} : device.columns;
        double full = full(table, columns);
        return row -> {
            double[] values = table.numbers(row, columns);
            for (int i = 0; i < values.length; i++) {
                values[i] = ink ? 1 - values[i] / full : values[i] / full;
                if (values[i] < -0.001 || values[i] > 1.001) {
                    throw Table.broken("row " + (row + 1) + " has a device value outside its range");
                }
                values[i] = Math.max(0, Math.min(1, values[i]));
            }
            return values;
        };
    }

    private static double full(Table table, String[] columns) {
        double most = 0;
        for (int row = 0; row < table.rows().size(); row++) {
            for (double v : table.numbers(row, columns)) {
                most = Math.max(most, v);
            }
        }
        return most > 100.5 ? 255 : 100;
    }

    /** What was measured, by row. */
    record Measured(IntFunction<Lab> lab, Optional<IntFunction<Reflectance>> spectrum) {
        Optional<Reflectance> spectrum(int row) {
            return spectrum.map(of -> of.apply(row));
        }
    }

    /**
     * L*a*b*, else XYZ, else what spectra say; of those for another light or observer only the spectra count. Spectra beside colours that
     * are good by themselves are taken along where they can be read.
     */
    static Measured measured(Table table) {
        Optional<IntFunction<Lab>> told = table.otherViewing().isPresent() ? Optional.empty() : told(table);
        if (told.isPresent()) {
            return new Measured(told.get(), readableSpectrum(table));
        }
        Optional<IntFunction<Reflectance>> spectrum = spectrum(table);
        if (table.otherViewing().isPresent() && spectrum.isEmpty()) {
            throw new MeasurementException(MeasurementException.Reason.READING_UNCLEAR,
                "This file's colours are for " + table.otherViewing().get() + "; a print is judged by those for D50 and 2 degrees.",
                "Export it again for D50 and 2 degrees, or with spectra.");
        }
        IntFunction<Reflectance> of = spectrum.orElseThrow(() -> Table.broken("it lacks LAB, XYZ and spectral columns"));
        return new Measured(row -> of.apply(row).lab(), spectrum);
    }

    private static Optional<IntFunction<Lab>> told(Table table) {
        return table.has("LAB_L", "LAB_A", "LAB_B") ? Optional.of(row -> Lab.of(table.numbers(row, "LAB_L", "LAB_A", "LAB_B")))
            : table.has("XYZ_X", "XYZ_Y", "XYZ_Z") ? Optional.of(row -> lab(table.numbers(row, "XYZ_X", "XYZ_Y", "XYZ_Z"), 100))
                : Optional.empty();
    }

    /** All of the file's spectra, or none. */
    static Optional<IntFunction<Reflectance>> readableSpectrum(Table table) {
        try {
            return spectrum(table).map(of -> IntStream.range(0, table.rows().size()).mapToObj(of).toList()::get);
        } catch (MeasurementException e) {
            return Optional.empty();
        }
    }

    /** A row's spectrum, 1 for the perfect diffuser; empty where the file has none. */
    private static Optional<IntFunction<Reflectance>> spectrum(Table table) {
        TreeMap<Integer, String> bands = bands(table);
        if (bands.isEmpty()) {
            return Optional.empty();
        }
        String[] names = bands.values().toArray(String[]::new);
        int first = bands.firstKey();
        int step = (bands.lastKey() - first) / (names.length - 1);
        double most = 0;
        for (int row = 0; row < table.rows().size(); row++) {
            for (double r : table.numbers(row, names)) {
                most = Math.max(most, r);
            }
        }
        double unit = most > 3 ? 100 : 1;
        return Optional.of(row -> {
            double[] values = table.numbers(row, names);
            for (double v : values) {
                if (!(v / unit > -LEAST_REFLECTANCE && v / unit < MOST_REFLECTANCE)) {
                    throw Table.broken("row " + (row + 1) + " reflects " + v + ", which no print does");
                }
            }
            return new Reflectance(first, step, Arrays.stream(values).mapToObj(v -> v / unit).toList());
        });
    }

    private static Lab lab(double[] xyz, double white) {
        return Lab.ofXyz(xyz[0] / white, xyz[1] / white, xyz[2] / white);
    }

    /** Wavelengths and their columns, none where they leave a part of the light out: SPECTRAL_NM_380, SPECTRAL_NM380, SPECTRAL_380, NM380 and the like. */
    private static TreeMap<Integer, String> bands(Table table) {
        TreeMap<Integer, String> bands = new TreeMap<>();
        for (String name : table.columns().keySet()) {
            if (name.matches("(SPEC(TRAL)?_?(NM)?_?|NM_?)[3-8]\\d\\d")) {
                bands.put(Integer.parseInt(name.substring(name.length() - 3)), name);
            }
        }
        if (bands.size() < 16 || bands.firstKey() > 420 || bands.lastKey() < 680) {
            return new TreeMap<>();
        }
        int step = (bands.lastKey() - bands.firstKey()) / (bands.size() - 1);
        int at = bands.firstKey();
        for (int nm : bands.keySet()) {
            if (nm != at) {
                throw Table.broken("its spectral columns are not evenly spaced at " + nm + " nm");
            }
            at += step;
        }
        return bands;
    }

    /** RGB or gray patches as text: device values 0 to 100, L*a*b* under D50, 2 degrees, and spectra where all patches have them alike. */
    public static Cgats of(Device device, String originator, String description, List<Patch> patches) {
        Optional<Reflectance> bands = patches.stream().findFirst().flatMap(Patch::spectrum)
            .filter(first -> patches.stream().allMatch(p -> p.spectrum().filter(first::like).isPresent()));
        int count = bands.map(b -> b.values().size()).orElse(0);
        StringBuilder out = new StringBuilder("CGATS.17\n")
            .append("ORIGINATOR \"").append(originator).append("\"\nDESCRIPTOR \"").append(description.replace('"', ' ')).append("\"\n")
            .append("MEASUREMENT_SOURCE \"Illumination=D50 ObserverAngle=2degree\"\n")
            .append("NUMBER_OF_FIELDS ").append(device.columns.length + 4 + count).append("\nBEGIN_DATA_FORMAT\nSAMPLE_ID ")
            .append(String.join(" ", device.columns)).append(" LAB_L LAB_A LAB_B");
        for (int i = 0; i < count; i++) {
            out.append(" SPECTRAL_NM_").append(bands.get().firstNm() + i * bands.get().stepNm());
        }
        out.append("\nEND_DATA_FORMAT\nNUMBER_OF_SETS ").append(patches.size()).append("\nBEGIN_DATA\n");
        for (Patch p : patches) {
            out.append(p.id());
            for (double v : p.device()) {
                out.append(String.format(Locale.ROOT, " %.4f", 100 * v));
            }
            out.append(String.format(Locale.ROOT, " %.3f %.3f %.3f", p.lab().l(), p.lab().a(), p.lab().b()));
            if (count > 0) {
                p.spectrum().orElseThrow().values().forEach(r -> out.append(String.format(Locale.ROOT, " %.5f", r)));
            }
            out.append('\n');
        }
        return new Cgats(out.append("END_DATA\n").toString(), device, patches);
    }
}
