package wistel.core.render;

import java.nio.ByteBuffer;
import java.util.stream.IntStream;

/**
 * Pair kerning of an OpenType font: the pair adjustment lookups of its GPOS table (OpenType 1.9, GPOS lookup type 2), horizontal advances
 * of the first glyph alone, which is what kerning uses.
 */
final class Kerning {
    private static final int PAIRS = 2;
    private static final int X_PLACEMENT = 1;
    private static final int Y_PLACEMENT = 2;
    private static final int X_ADVANCE = 4;

    private final ByteBuffer gpos;
    private final int[] subtables;

    /** @param gpos the table's bytes; empty for a font without one */
    Kerning(byte[] gpos) {
        this.gpos = ByteBuffer.wrap(gpos);
        this.subtables = gpos.length < 10 ? new int[0] : pairTables();
    }

    private int[] pairTables() {
        int list = u16(8);
        return IntStream.range(0, u16(list)).map(i -> list + u16(list + 2 + 2 * i)).filter(lookup -> u16(lookup) == PAIRS)
            .flatMap(lookup -> IntStream.range(0, u16(lookup + 4)).map(k -> lookup + u16(lookup + 6 + 2 * k))).toArray();
    }

    private int u16(int at) {
        return gpos.getShort(at) & 0xFFFF;
    }

    /** What is added to the first glyph's advance before the second, in the font's units; 0 for most. */
    int between(int first, int second) {
        for (int at : subtables) {
            int covered = coverage(at + u16(at + 2), first);
            int format = u16(at + 4);
            if (covered < 0 || (format & X_ADVANCE) == 0) {
                continue;
            }
            int size = 2 * (Integer.bitCount(format) + Integer.bitCount(u16(at + 6)));
            int advance = 2 * ((format & X_PLACEMENT) + ((format & Y_PLACEMENT) >> 1));
            int value = u16(at) == 1 ? listed(at, covered, second, size) : classed(at, first, second, size);
            if (value >= 0) {
                return gpos.getShort(value + advance);
            }
        }
        return 0;
    }

    /** Place of the value of a pair that is listed by its glyphs; -1 when it isn't, so that the next table is asked. */
    private int listed(int at, int covered, int second, int size) {
        int set = at + u16(at + 10 + 2 * covered);
        int record = 2 + size;
        int low = 0;
        int high = u16(set) - 1;
        while (low <= high) {
            int middle = (low + high) / 2;
            int glyph = u16(set + 2 + middle * record);
            if (glyph == second) {
                return set + 2 + middle * record + 2;
            }
            if (glyph < second) {
                low = middle + 1;
            } else {
                high = middle - 1;
            }
        }
        return -1;
    }

    private int classed(int at, int first, int second, int size) {
        int row = classOf(at + u16(at + 8), first);
        int column = classOf(at + u16(at + 10), second);
        return at + 16 + (row * u16(at + 14) + column) * size;
    }

    /** Place of a glyph in a coverage table; -1 when it isn't in it. */
    private int coverage(int at, int glyph) {
        boolean ranges = u16(at) == 2;
        for (int i = 0; i < u16(at + 2); i++) {
            if (!ranges && u16(at + 4 + 2 * i) == glyph) {
                return i;
            }
            int range = at + 4 + 6 * i;
            if (ranges && u16(range) <= glyph && glyph <= u16(range + 2)) {
                return u16(range + 4) + glyph - u16(range);
            }
        }
        return -1;
    }

    private int classOf(int at, int glyph) {
        if (u16(at) == 1) {
            int place = glyph - u16(at + 2);
            return place >= 0 && place < u16(at + 4) ? u16(at + 6 + 2 * place) : 0;
        }
        for (int i = 0; i < u16(at + 2); i++) {
            int range = at + 4 + 6 * i;
            if (u16(range) <= glyph && glyph <= u16(range + 2)) {
                return u16(range + 4);
            }
        }
        return 0;
    }
}
