package wistel.core.pictures;

import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import wistel.core.colour.LabEncoding;
import wistel.core.fault.MeasurementException;

/**
 * A scan of a print in L*a*b*, as a TIFF any program can open: photometric ICCLab (9, TIFF Technical Note 4), three 16-bit samples, one
 * uncompressed strip. Pixels are codes of {@link wistel.core.colour.LabEncoding#V4}.
 */
public record LabScan(int width, int height, double dpi, char[] pixels) {
    private static final int DATA_AT = 8 + 2 + 12 * 12 + 4 + 8 + 16;
    private static final long MOST_PIXELS = 60_000_000;

    /** @throws IllegalArgumentException when it is empty, or has another number of samples than its size says; they are kept, not copied */
    public LabScan {
        if (width < 1 || height < 1 || !(dpi > 0) || pixels.length != 3L * width * height) {
            throw new IllegalArgumentException(width + " x " + height + " at " + dpi + " dpi with " + pixels.length + " samples");
        }
    }

    public void write(OutputStream raw) throws IOException {
        DataOutputStream out = new DataOutputStream(raw);
        int extra = 8 + 2 + 12 * 12 + 4;
        out.writeInt(0x4D4D002A);
        out.writeInt(8);
        out.writeShort(12);
        int[][] entries = {{256, 4, 1, width}, {257, 4, 1, height}, {258, 3, 3, extra}, {259, 3, 1, 1 << 16}, {262, 3, 1, 9 << 16},
            {273, 4, 1, DATA_AT}, {277, 3, 1, 3 << 16}, {278, 4, 1, height}, {279, 4, 1, 6 * width * height}, {282, 5, 1, extra + 8},
            {283, 5, 1, extra + 16}, {296, 3, 1, 2 << 16}};
        for (int[] e : entries) {
            out.writeShort(e[0]);
            out.writeShort(e[1]);
            out.writeInt(e[2]);
            out.writeInt(e[3]);
        }
        out.writeInt(0);
        for (int i = 0; i < 4; i++) {
            out.writeShort(i < 3 ? 16 : 0);
        }
        for (int i = 0; i < 2; i++) {
            out.writeInt((int) Math.round(dpi * 1000));
            out.writeInt(1000);
        }
        ByteBuffer row = ByteBuffer.allocate(6 * width);
        for (int y = 0; y < height; y++) {
            row.clear();
            for (int i = 0; i < 3 * width; i++) {
                char v = pixels[y * 3 * width + i];
                // a* and b* are stored as 8000h-based in ICCLab; code 0x8080 (0 in PCS coding) and 0x8000 differ by the coding's step
                row.putChar(i % 3 == 0 ? v : (char) Math.min(65535, Math.round(v / 257.0 * 256)));
            }
            out.write(row.array());
        }
        out.flush();
    }

    /** @throws MeasurementException when this is not a scan of this kind, or larger than a scan may be */
    public static LabScan read(InputStream raw) throws IOException {
        DataInputStream in = new DataInputStream(raw);
        byte[] head = new byte[DATA_AT];
        in.readFully(head);
        ByteBuffer b = ByteBuffer.wrap(head);
        int w = b.getInt(10 + 8);
        int h = b.getInt(10 + 12 + 8);
        boolean ours = b.getInt(0) == 0x4D4D002A && b.getInt(4) == 8 && b.getShort(8) == 12 && b.getShort(10 + 48 + 8) == 9
            && b.getInt(10 + 60 + 8) == DATA_AT;
        if (!ours || w < 1 || h < 1 || (long) w * h > MOST_PIXELS) {
            throw new MeasurementException(MeasurementException.Reason.SCAN_UNREADABLE,
                "The scanner's file is not an L*a*b* TIFF that Wistel reads.", "Scan the sheet again.");
        }
        double dpi = b.getInt(8 + 2 + 144 + 4 + 8) / 1000.0;
        char[] pixels = new char[3 * w * h];
        byte[] row = new byte[6 * w];
        for (int y = 0; y < h; y++) {
            in.readFully(row);
            ByteBuffer r = ByteBuffer.wrap(row);
            for (int i = 0; i < 3 * w; i++) {
                char v = r.getChar();
                pixels[y * 3 * w + i] = i % 3 == 0 ? v : (char) Math.min(65535, Math.round(v / 256.0 * 257));
            }
        }
        return new LabScan(w, h, dpi, pixels);
    }
}
