package wistel.core.icc;

import java.awt.color.ICC_Profile;
import java.awt.image.ColorConvertOp;
import java.awt.image.DataBuffer;
import java.awt.image.DataBufferUShort;
import java.awt.image.Raster;
import java.awt.image.WritableRaster;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.profile.ProfileWriter;

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

    private Referee(byte[] source, int inputs, byte[] destination, int outputs) {
        this.inputs = inputs;
        this.outputs = outputs;
        conversion = new ColorConvertOp(new ICC_Profile[] {ICC_Profile.getInstance(source), ICC_Profile.getInstance(destination)}, null);
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
        ProfileWriter writer = ProfileWriter.of(profile);
        for (String kind : new String[] {"A2B", "B2A"}) {
            profile.tag(kind + intent.table()).ifPresent(table -> {
                for (int i = 0; i < 3; i++) {
                    writer.tag(kind + i, table);
                }
            });
        }
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
