package wistel.core.icc;

import java.awt.color.ICC_Profile;
import java.awt.image.ColorConvertOp;
import java.awt.image.DataBuffer;
import java.awt.image.DataBufferUShort;
import java.awt.image.Raster;
import java.awt.image.WritableRaster;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import wistel.core.colour.D50;
import wistel.core.icc.profile.ColourSpace;
import wistel.core.icc.profile.DeviceClass;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.LutWriter;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.profile.ProfileWriter;
import wistel.core.icc.profile.TagWriter;

/**
 * The JDK's own CMM as a second opinion, for tests only. It resamples chains on grids of its own (33 nodes for three inputs, 17 for four),
 * so it is asked at their nodes, where nothing is interpolated. It offers no choice of intent: it is given a copy of the profile whose
 * every table is that of the intent wanted. And it compensates black by itself in version 4, so copies are marked as version 2.
 */
public final class Referee {
    private final ColorConvertOp conversion;
    private final int inputs;
    private final int outputs;

    public Referee(IccProfile source, IccProfile destination, Intent intent) {
        this(only(source, intent), source.space().channels(), only(destination, intent), destination.space().channels());
    }

    /** Without marks: perceptual, with black compensated where the destination is of version 4. */
    public static Referee unmarked(IccProfile source, IccProfile destination) {
        return new Referee(source.bytes(), source.space().channels(), destination.bytes(), destination.space().channels());
    }

    /** Through one or more changes of XYZ on the way. */
    public static Referee changed(IccProfile source, IccProfile destination, Intent intent, IccProfile... changes) {
        List<byte[]> files = new ArrayList<>(List.of(only(source, intent)));
        Stream.of(changes).map(IccProfile::bytes).forEach(files::add);
        files.add(only(destination, intent));
        return new Referee(source.space().channels(), destination.space().channels(), files);
    }

    /** To the printer with an intent, and from its relative colorimetric meaning on to a display, through changes of XYZ there. */
    public static Referee proof(IccProfile source, IccProfile printer, Intent intent, IccProfile display, IccProfile... changes) {
        List<byte[]> files = new ArrayList<>(List.of(only(source, intent), only(printer, Map.of("A2B", Intent.RELATIVE, "B2A", intent))));
        Stream.of(changes).map(IccProfile::bytes).forEach(files::add);
        files.add(only(display, Intent.RELATIVE));
        return new Referee(source.space().channels(), display.space().channels(), files);
    }

    /** An abstract profile that takes each of X, Y and Z along a line: the matrix of a lutAToBType, which loses nothing to 16 bits. */
    public static IccProfile line(double[] factors, double[] offsets) {
        double full = 1 + 32767.0 / 32768; // ICC.1:2022, 6.3.4.2: PCSXYZ as u1Fixed15
        double[] matrix = {factors[0], 0, 0, 0, factors[1], 0, 0, 0, factors[2], offsets[0] / full, offsets[1] / full, offsets[2] / full};
        List<byte[]> straight = Collections.nCopies(3, TagWriter.parametric(1));
        byte[] bytes = new ProfileWriter(DeviceClass.ABSTRACT, ColourSpace.XYZ, ColourSpace.XYZ, "line", "none")
            .xyz("wtpt", new double[] {D50.X, D50.Y, D50.Z})
            .tag("A2B0", LutWriter.deviceFirst(3, new LutWriter.Parts(straight, matrix, straight, List.of(), List.of()))).write();
        return asVersion2(ProfileReader.read(bytes));
    }

    private Referee(byte[] source, int inputs, byte[] destination, int outputs) {
        this(inputs, outputs, List.of(source, destination));
    }

    private Referee(int inputs, int outputs, List<byte[]> files) {
        this.inputs = inputs;
        this.outputs = outputs;
        conversion = new ColorConvertOp(files.stream().map(ICC_Profile::getInstance).toArray(ICC_Profile[]::new), null);
    }

    public static int nodes(int inputs) {
        return inputs == 4 ? 17 : 33;
    }

    /** The same profile with a version 2 header, so that nobody compensates black unasked. */
    public static IccProfile asVersion2(IccProfile profile) {
        byte[] bytes = profile.bytes();
        bytes[8] = 2;
        return ProfileReader.read(bytes);
    }

    private static byte[] only(IccProfile profile, Intent intent) {
        return only(profile, Map.of("A2B", intent, "B2A", intent));
    }

    private static byte[] only(IccProfile profile, Map<String, Intent> intents) {
        ProfileWriter writer = ProfileWriter.of(profile);
        intents.forEach((kind, intent) -> profile.tag(kind + intent.table()).ifPresent(table -> {
            for (int i = 0; i < 3; i++) {
                writer.tag(kind + i, table);
            }
        }));
        byte[] bytes = writer.write();
        bytes[8] = 2;
        bytes[67] = 0;
        return bytes;
    }

    public char[] apply(char[] pixels) {
        int count = pixels.length / inputs;
        WritableRaster in = Raster.createInterleavedRaster(DataBuffer.TYPE_USHORT, count, 1, inputs, null);
        WritableRaster out = Raster.createInterleavedRaster(DataBuffer.TYPE_USHORT, count, 1, outputs, null);
        short[] data = ((DataBufferUShort) in.getDataBuffer()).getData();
        for (int i = 0; i < data.length; i++) {
            data[i] = (short) pixels[i];
        }
        conversion.filter(in, out);
        short[] results = ((DataBufferUShort) out.getDataBuffer()).getData();
        char[] codes = new char[results.length];
        for (int i = 0; i < codes.length; i++) {
            codes[i] = (char) results[i];
        }
        return codes;
    }
}
