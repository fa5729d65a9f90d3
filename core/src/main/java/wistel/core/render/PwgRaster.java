package wistel.core.render;

import java.io.DataInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import wistel.core.fault.PrinterException;

/**
 * PWG raster (PWG 5102.4) in and out, one row at a time. Chosen for print files because every IPP Everywhere printer takes it, it has 16
 * bits a sample and a device space, and it streams: neither side ever holds a page.
 */
public final class PwgRaster {
    static final int HEADER = 1796;
    private static final int MOST_BYTES_PER_LINE = 1 << 20;
    private static final int MOST_ROWS = 200_000;

    /** Colour spaces of PWG 5102.4, table 3, that are used here. */
    public enum Space {
        BLACK(3, 1), SGRAY(18, 1), SRGB(19, 3), DEVICE3(50, 3), CMYK(6, 4);

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
    public record Page(int width, int height, int dpi, int bits, Space space, int widthPt, int heightPt, String sizeName, String mediaType, int quality, int copies) {
        int bytesPerLine() {
            return (width * bits * space.channels + 7) / 8;
        }

        int bytesPerPixel() {
            return Math.max(1, bits * space.channels / 8);
        }
    }

    private PwgRaster() {
    }

    private static PrinterException broken(String why) {
        return new PrinterException("raster-broken", "This PWG raster can't be printed: " + why + ".", "Make the print file again.");
    }

    /** Writes one page of rows, 1, 8 or 16 bits a sample; equal rows and equal pixels are run-length coded. */
    public static final class Writer {
        private final OutputStream out;
        private final Page page;
        private byte[] last;
        private int repeats;
        private final byte[] packed;

        public Writer(OutputStream out, Page page) throws IOException {
            this.out = out;
            this.page = page;
            this.packed = new byte[page.bytesPerLine() + page.width() + 2];
            out.write("RaS2".getBytes(StandardCharsets.US_ASCII));
            out.write(header());
        }

        private byte[] header() {
            ByteBuffer h = ByteBuffer.allocate(HEADER);
            text(h, 0, "PwgRaster");
            text(h, 128, page.mediaType);
            h.putInt(276, page.dpi).putInt(280, page.dpi).putInt(340, page.copies).putInt(352, page.widthPt).putInt(356, page.heightPt)
                .putInt(372, page.width).putInt(376, page.height).putInt(384, page.bits).putInt(388, page.bits * page.space.channels)
                .putInt(392, page.bytesPerLine()).putInt(400, page.space.code).putInt(420, page.space.channels).putInt(452, 1)
                .putInt(456, 1).putInt(460, 1).putInt(480, 0xFFFFFF).putInt(484, page.quality);
            text(h, 1732, page.sizeName);
            return h.array();
        }

        private static void text(ByteBuffer h, int at, String text) {
            byte[] bytes = text.getBytes(StandardCharsets.US_ASCII);
            h.put(at, bytes, 0, Math.min(63, bytes.length));
        }

        /** The next row, as many samples as the page has channels times pixels, 0 to 65535. */
        public void row(char[] samples) throws IOException {
            byte[] line = new byte[page.bytesPerLine()];
            int count = page.width * page.space.channels;
            for (int i = 0; i < count; i++) {
                if (page.bits == 16) {
                    line[2 * i] = (byte) (samples[i] >> 8);
                    line[2 * i + 1] = (byte) samples[i];
                } else if (page.bits == 8) {
                    line[i] = (byte) ((samples[i] + 128) / 257);
                } else if (samples[i] > 32767) {
                    line[i >> 3] |= (byte) (0x80 >> (i & 7));
                }
            }
            if (last != null && repeats < 256 && java.util.Arrays.equals(last, line)) {
                repeats++;
                return;
            }
            flushRow();
            last = line;
            repeats = 1;
        }

        private void flushRow() throws IOException {
            if (last == null) {
                return;
            }
            out.write(repeats - 1);
            out.write(packed, 0, pack(last));
        }

        private int pack(byte[] line) {
            int unit = page.bytesPerPixel();
            int pixels = line.length / unit;
            int to = 0;
            int x = 0;
            while (x < pixels) {
                int run = 1;
                while (run < 128 && x + run < pixels && same(line, x, x + run, unit)) {
                    run++;
                }
                if (run > 1 || x + 1 == pixels) {
                    packed[to++] = (byte) (run - 1);
                    System.arraycopy(line, x * unit, packed, to, unit);
                    to += unit;
                    x += run;
                    continue;
                }
                int literal = 1;
                while (literal < 128 && x + literal < pixels && (x + literal + 1 >= pixels || !same(line, x + literal, x + literal + 1, unit))) {
                    literal++;
                }
                packed[to++] = (byte) (literal == 1 ? 0 : 257 - literal);
                System.arraycopy(line, x * unit, packed, to, literal * unit);
                to += literal * unit;
                x += literal;
            }
            return to;
        }

        private static boolean same(byte[] line, int a, int b, int unit) {
            for (int i = 0; i < unit; i++) {
                if (line[a * unit + i] != line[b * unit + i]) {
                    return false;
                }
            }
            return true;
        }

        public void finish() throws IOException {
            flushRow();
            last = null;
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
            page = new Page(h.getInt(372), h.getInt(376), h.getInt(276), h.getInt(384), space, h.getInt(352), h.getInt(356), text(bytes, 1732),
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
