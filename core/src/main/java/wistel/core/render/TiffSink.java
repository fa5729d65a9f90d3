package wistel.core.render;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import wistel.core.length.Rational;

/**
 * One page as an uncompressed TIFF (TIFF 6.0) with its profile and resolution, a strip for each band; as BigTIFF where it would outgrow 4
 * GB. Every offset is known before the first row, so it streams.
 *
 * @param width, height pixels
 * @param bits          8 or 16
 * @param channels      1, gray, or 3, RGB
 * @param profile       what the numbers mean; empty for none
 * @param xmp           a packet of metadata; empty for none
 */
public record TiffSink(int width, int height, int bits, int channels, double dpi, byte[] profile, byte[] xmp) implements RasterSink {
    private static final int THOUSANDTHS = 1000;
    private static final int SHORT = 3;
    private static final int LONG = 4;
    private static final int RATIONAL = 5;
    private static final int UNDEFINED = 7;
    private static final int LONG8 = 16;

    public TiffSink {
        if (width < 1 || height < 1 || bits != 8 && bits != 16 || channels != 1 && channels != 3 || !(dpi > 0)) {
            throw new IllegalArgumentException(
                "a TIFF of " + width + " x " + height + ", " + bits + " bits, " + channels + " channels, " + dpi + " dpi");
        }
    }

    private record Entry(int tag, int type, long count, byte[] value) {
    }

    private long rowBytes() {
        return (long) width * channels * bits / 8;
    }

    private boolean big() {
        return rowBytes() * height + profile.length + xmp.length + (1 << 20) > 0xFFFF_FFFFL;
    }

    @Override
    public void begin(OutputStream out, int bandRows) throws IOException {
        int strips = (height + bandRows - 1) / bandRows;
        // the directory's length doesn't depend on the offsets in it: once to measure, once to write
        long dataAt = directory(bandRows, strips, 0).length;
        out.write(directory(bandRows, strips, dataAt + dataAt % 2));
        out.write(new byte[(int) (dataAt % 2)]);
    }

    private byte[] directory(int bandRows, int strips, long dataAt) {
        ByteBuffer offsets = ByteBuffer.allocate(strips * wordBytes());
        ByteBuffer counts = ByteBuffer.allocate(strips * wordBytes());
        for (int i = 0; i < strips; i++) {
            word(offsets, dataAt + i * (long) bandRows * rowBytes());
            word(counts, Math.min(bandRows, height - i * bandRows) * rowBytes());
        }
        ByteBuffer sampleBits = ByteBuffer.allocate(2 * channels);
        for (int c = 0; c < channels; c++) {
            sampleBits.putShort((short) bits);
        }
        int words = big() ? LONG8 : LONG;
        List<Entry> entries = new ArrayList<>(
            List.of(longs(256, width), longs(257, height), new Entry(258, SHORT, channels, sampleBits.array()), shorts(259, 1),
                shorts(262, channels == 1 ? 1 : 2), new Entry(273, words, strips, offsets.array()), shorts(274, 1), shorts(277, channels),
                longs(278, bandRows),
                new Entry(279, words, strips, counts.array()), resolution(282), resolution(283), shorts(284, 1), shorts(296, 2),
                new Entry(305, 2, 7, "Wistel\0".getBytes(StandardCharsets.US_ASCII))));
        if (xmp.length > 0) {
            // entries stand in the order of their tags: 700 comes before the profile's
            entries.add(new Entry(700, 1, xmp.length, xmp));
        }
        if (profile.length > 0) {
            entries.add(new Entry(34675, UNDEFINED, profile.length, profile));
        }
        return laidOut(entries);
    }

    private byte[] laidOut(List<Entry> entries) {
        int inline = big() ? 8 : 4;
        int head = big() ? 16 : 8;
        int table = big() ? 8 + 20 * entries.size() + 8 : 2 + 12 * entries.size() + 4;
        int beyond = entries.stream().mapToInt(e -> e.value.length > inline ? e.value.length + e.value.length % 2 : 0).sum();
        ByteBuffer b = ByteBuffer.allocate(head + table + beyond);
        b.put("MM".getBytes(StandardCharsets.US_ASCII));
        if (big()) {
            b.putShort((short) 43).putShort((short) 8).putShort((short) 0).putLong(16).putLong(entries.size());
        } else {
            b.putShort((short) 42).putInt(8).putShort((short) entries.size());
        }
        int at = head + table;
        for (Entry e : entries) {
            b.putShort((short) e.tag).putShort((short) e.type);
            word(b, e.count);
            int place = b.position();
            if (e.value.length > inline) {
                word(b, at);
                b.put(at, e.value);
                at += e.value.length + e.value.length % 2;
            } else {
                b.put(e.value);
            }
            b.position(place + inline);
        }
        word(b, 0);
        return b.array();
    }

    private int wordBytes() {
        return big() ? 8 : 4;
    }

    private void word(ByteBuffer b, long value) {
        if (big()) {
            b.putLong(value);
        } else {
            b.putInt((int) value);
        }
    }

    private static Entry shorts(int tag, int value) {
        return new Entry(tag, SHORT, 1, ByteBuffer.allocate(2).putShort((short) value).array());
    }

    private static Entry longs(int tag, int value) {
        return new Entry(tag, LONG, 1, ByteBuffer.allocate(4).putInt(value).array());
    }

    private Entry resolution(int tag) {
        // files of whole resolutions stay the same to the byte
        boolean whole = dpi == Math.rint(dpi);
        Rational of = whole ? new Rational((int) dpi * THOUSANDTHS, THOUSANDTHS) : Rational.of(dpi);
        return new Entry(tag, RATIONAL, 1, ByteBuffer.allocate(8).putInt(of.numerator()).putInt(of.denominator()).array());
    }

    @Override
    public Packed pack(char[] samples, int firstRow, int rows) {
        byte[] bytes = RasterSink.bytes(samples, rows * width * channels, bits);
        return new Packed(bytes, bytes.length);
    }
}
