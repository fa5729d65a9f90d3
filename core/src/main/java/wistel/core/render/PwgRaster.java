package wistel.core.render;

import java.io.DataInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import wistel.core.fault.PrinterException;
import wistel.core.length.Length;

/**
 * PWG raster (PWG 5102.4) in and out, one row at a time. Chosen for print files because every IPP Everywhere printer takes it, it has 16
 * bits a sample and a device space, and it streams: neither side ever holds a page.
 */
public final class PwgRaster {
    static final int HEADER = 1796;
    private static final int MOST_BYTES_PER_LINE = 1 << 20;
    private static final int MOST_ROWS = 200_000;
    private static final int MOST_REPEATS = 256;

    /** Colour spaces of PWG 5102.4, table 3, that are used here. */
    public enum Space {
        BLACK(3, 1), SGRAY(18, 1), SRGB(19, 3), OPRGB(20, 3), DEVICE3(50, 3), CMYK(6, 4);

        private final int code;
        private final int channels;

        Space(int code, int channels) {
            this.code = code;
            this.channels = channels;
        }

        public int channels() {
            return channels;
        }

        static Space of(int code) {
            for (Space space : values()) {
                if (space.code == code) {
                    return space;
                }
            }
            throw broken("its colour space is " + code);
        }
    }

    /** One page. Sizes in points of 1/72 inch; bits 1, 8 or 16 a sample. */
    public record Page(int width, int height, int dpi, int bits, Space space, int widthPt, int heightPt, String sizeName, String mediaType,
        int quality, int copies) {
        int bytesPerLine() {
            return (width * bits * space.channels + 7) / 8;
        }

        int bytesPerPixel() {
            return Math.max(1, bits * space.channels / 8);
        }
    }

    private PwgRaster() {
    }

    /** A length in whole points of 1/72 in, as page sizes are given. */
    public static int points(double mm) {
        return (int) Math.round(mm / Length.MM_PER_INCH * 72);
    }

    private static PrinterException broken(String why) {
        return new PrinterException(PrinterException.Reason.RASTER_BROKEN, "This PWG raster can't be printed: " + why + ".",
            "Make the print file again.");
    }

    /** The start of a file, then one page's header. */
    static byte[] start(Page page) {
        ByteBuffer h = ByteBuffer.allocate(4 + HEADER);
        h.put("RaS2".getBytes(StandardCharsets.US_ASCII));
        ByteBuffer p = h.slice();
        text(p, 0, "PwgRaster");
        text(p, 128, page.mediaType);
        p.putInt(276, page.dpi).putInt(280, page.dpi).putInt(340, page.copies).putInt(352, page.widthPt).putInt(356, page.heightPt)
            .putInt(372, page.width).putInt(376, page.height).putInt(384, page.bits).putInt(388, page.bits * page.space.channels)
            .putInt(392, page.bytesPerLine()).putInt(400, page.space.code).putInt(420, page.space.channels).putInt(452, 1)
            .putInt(456, 1).putInt(460, 1).putInt(480, 0xFFFFFF).putInt(484, page.quality);
        text(p, 1732, page.sizeName);
        return h.array();
    }

    private static void text(ByteBuffer h, int at, String text) {
        byte[] bytes = text.getBytes(StandardCharsets.US_ASCII);
        h.put(at, bytes, 0, Math.min(63, bytes.length));
    }

    /** Rows of 16-bit samples as they stand in the file: equal rows and equal pixels are run-length coded, rows within this call only. */
    static RasterSink.Packed pack(Page page, char[] samples, int rows) {
        Packer packer = new Packer(page, rows);
        int row = page.width * page.space.channels;
        for (int y = 0; y < rows;) {
            int repeats = 1;
            while (repeats < MOST_REPEATS && y + repeats < rows
                && Arrays.equals(samples, y * row, (y + 1) * row, samples, (y + repeats) * row, (y + repeats + 1) * row)) {
                repeats++;
            }
            packer.row(samples, y * row, repeats);
            y += repeats;
        }
        return new RasterSink.Packed(packer.out, packer.size);
    }

    /** Codes rows as counted runs (PWG 5102.4, 4.3). A unit is a byte or a 16-bit sample; pixels are compared and copied as whole units. */
    private static final class Packer {
        private static final int LONGEST_RUN = 128;

        private final Page page;
        private final char[] units;
        private final int perPixel;
        private final boolean wide;
        private byte[] out;
        private int size;

        Packer(Page page, int rows) {
            this.page = page;
            this.wide = page.bits == 16;
            this.perPixel = page.bits == 1 ? 1 : page.space.channels;
            this.units = new char[page.bits == 1 ? page.bytesPerLine() : page.width * page.space.channels];
            this.out = new byte[(int) Math.min(Integer.MAX_VALUE - 8, (long) rows * longestRow())];
        }

        /** Every pixel on its own, a code for each 128 of them, and the row's count. */
        private int longestRow() {
            return page.bytesPerLine() + units.length / perPixel / LONGEST_RUN + 3;
        }

        void row(char[] samples, int at, int repeats) {
            if (size + longestRow() > out.length) {
                out = Arrays.copyOf(out, size + longestRow());
            }
            out[size++] = (byte) (repeats - 1);
            toUnits(samples, at);
            int pixels = units.length / perPixel;
            for (int x = 0; x < pixels;) {
                int run = 1;
                while (run < LONGEST_RUN && x + run < pixels && same(x, x + run)) {
                    run++;
                }
                if (run > 1 || x + 1 == pixels) {
                    out[size++] = (byte) (run - 1);
                    put(x, 1);
                    x += run;
                    continue;
                }
                int literal = 1;
                while (literal < LONGEST_RUN && x + literal < pixels
                    && (x + literal + 1 >= pixels || !same(x + literal, x + literal + 1))) {
                    literal++;
                }
                out[size++] = (byte) (literal == 1 ? 0 : 257 - literal);
                put(x, literal);
                x += literal;
            }
        }

        private void toUnits(char[] samples, int at) {
            switch (page.bits) {
                case 16 -> System.arraycopy(samples, at, units, 0, units.length);
                case 8 -> {
                    for (int i = 0; i < units.length; i++) {
                        units[i] = (char) ((samples[at + i] + 128) / 257);
                    }
                }
                default -> {
                    Arrays.fill(units, (char) 0);
                    for (int i = 0; i < page.width * page.space.channels; i++) {
                        units[i >> 3] |= samples[at + i] > 32767 ? (char) (0x80 >> (i & 7)) : 0;
                    }
                }
            }
        }

        private boolean same(int a, int b) {
            for (int i = 0; i < perPixel; i++) {
                if (units[a * perPixel + i] != units[b * perPixel + i]) {
                    return false;
                }
            }
            return true;
        }

        private void put(int pixel, int count) {
            int to = size;
            for (int i = pixel * perPixel; i < (pixel + count) * perPixel; i++) {
                char v = units[i];
                if (wide) {
                    out[to++] = (byte) (v >> 8);
                }
                out[to++] = (byte) v;
            }
            size = to;
        }
    }

    /** Writes one page row by row. */
    public static final class Writer {
        private final OutputStream out;
        private final Page page;
        private final char[] held;
        private int rows;

        public Writer(OutputStream out, Page page) throws IOException {
            this.out = out;
            this.page = page;
            this.held = new char[MOST_REPEATS * page.width * page.space.channels];
            out.write(start(page));
        }

        /** The next row, as many samples as the page has channels times pixels, 0 to 65535. */
        public void row(char[] samples) throws IOException {
            int row = page.width * page.space.channels;
            System.arraycopy(samples, 0, held, rows * row, row);
            if (++rows == MOST_REPEATS) {
                finish();
            }
        }

        public void finish() throws IOException {
            RasterSink.Packed packed = pack(page, held, rows);
            out.write(packed.bytes(), 0, packed.size());
            rows = 0;
            out.flush();
        }
    }

    /** Reads pages one after another; every size is checked before memory is taken for it. */
    public static final class Reader {
        private final DataInputStream in;
        private Page page;
        private byte[] line = new byte[0];
        private int repeats;

        public Reader(InputStream in) throws IOException {
            this.in = new DataInputStream(in);
            byte[] mark = this.in.readNBytes(4);
            if (!new String(mark, StandardCharsets.US_ASCII).equals("RaS2")) {
                throw broken("it doesn't begin as one");
            }
        }

        /** The next page's header, or null at the end. Rows of the page before must have been read. */
        public Page nextPage() throws IOException {
            byte[] bytes = in.readNBytes(HEADER);
            if (bytes.length == 0) {
                return null;
            }
            if (bytes.length < HEADER) {
                throw broken("it is cut off");
            }
            ByteBuffer h = ByteBuffer.wrap(bytes);
            Space space = Space.of(h.getInt(400));
            page = new Page(h.getInt(372), h.getInt(376), h.getInt(276), h.getInt(384), space, h.getInt(352), h.getInt(356),
                text(bytes, 1732),
                text(bytes, 128), h.getInt(484), h.getInt(340));
            boolean bitsKnown = page.bits == 1 || page.bits == 8 || page.bits == 16;
            if (page.width < 1 || page.height < 1 || page.height > MOST_ROWS || !bitsKnown || page.width > MOST_BYTES_PER_LINE
                || page.bytesPerLine() > MOST_BYTES_PER_LINE || page.bytesPerLine() != h.getInt(392)) {
                throw broken("its page is " + page.width + " x " + page.height + " of " + page.bits + " bits");
            }
            line = new byte[page.bytesPerLine()];
            repeats = 0;
            return page;
        }

        private static String text(byte[] bytes, int at) {
            int end = at;
            while (end < at + 63 && bytes[end] != 0) {
                end++;
            }
            return new String(bytes, at, end - at, StandardCharsets.US_ASCII);
        }

        /** The next row as 16-bit samples. */
        public void row(char[] samples) throws IOException {
            if (repeats == 0) {
                repeats = in.readUnsignedByte() + 1;
                unpack();
            }
            repeats--;
            int count = page.width * page.space.channels;
            for (int i = 0; i < count; i++) {
                samples[i] = switch (page.bits) {
                    case 16 -> (char) ((line[2 * i] & 0xFF) << 8 | line[2 * i + 1] & 0xFF);
                    case 8 -> (char) ((line[i] & 0xFF) * 257);
                    default -> (char) ((line[i >> 3] >> (7 - (i & 7)) & 1) * 65535);
                };
            }
        }

        private void unpack() throws IOException {
            int unit = page.bytesPerPixel();
            int at = 0;
            while (at < line.length) {
                int code = in.readUnsignedByte();
                if (code == 128) {
                    throw broken("a row holds a forbidden code");
                }
                int count = code < 128 ? code + 1 : 257 - code;
                if (at + count * unit > line.length) {
                    throw broken("a row is longer than its page");
                }
                if (code < 128) {
                    in.readFully(line, at, unit);
                    for (int i = 1; i < count; i++) {
                        System.arraycopy(line, at, line, at + i * unit, unit);
                    }
                } else {
                    in.readFully(line, at, count * unit);
                }
                at += count * unit;
            }
        }
    }
}
