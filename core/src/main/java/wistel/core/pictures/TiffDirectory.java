package wistel.core.pictures;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Arrays;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import javax.imageio.stream.ImageInputStream;

/** The first directory of a TIFF (6.0, section 2; offsets of 4 bytes): its numbers by tag. */
record TiffDirectory(ByteOrder order, Map<Integer, double[]> tags) {
    private static final int MOST_ENTRIES = 1000;
    private static final int MOST_VALUES = 1 << 20;
    private static final int SHORT = 3;
    private static final int LONG = 4;
    private static final int RATIONAL = 5;
    private static final int UNDEFINED = 7;
    private static final int JPEG_TABLES = 347;
    private static final Set<Integer> PLACES_AND_SIZES = Set.of(256, 257, 273, 278, 279, 322, 323, 324, 325);

    /** @throws IOException when a value lies outside the file, or there are more than any picture needs */
    static TiffDirectory read(ImageInputStream in) throws IOException {
        in.seek(0);
        in.setByteOrder(in.readUnsignedByte() == 'I' ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN);
        in.seek(4);
        long at = in.readUnsignedInt();
        in.seek(at);
        int entries = in.readUnsignedShort();
        if (entries > MOST_ENTRIES) {
            throw new IOException(entries + " entries");
        }
        Map<Integer, double[]> tags = new TreeMap<>();
        for (int i = 0; i < entries; i++) {
            in.seek(at + 2 + 12L * i);
            int tag = in.readUnsignedShort();
            int type = in.readUnsignedShort();
            long count = in.readUnsignedInt();
            int size = type == SHORT ? 2 : type == LONG ? 4 : type == RATIONAL ? 8 : type == 1 || type == UNDEFINED ? 1 : 0;
            if (size == 0) {
                continue;
            }
            if (count > MOST_VALUES) {
                throw new IOException(count + " values");
            }
            if (count * size > 4) {
                in.seek(in.readUnsignedInt());
            }
            double[] values = new double[(int) count];
            for (int v = 0; v < count; v++) {
                values[v] = size == 2 ? in.readUnsignedShort() : size == 1 ? in.readUnsignedByte() : in.readUnsignedInt();
                if (size == 8) {
                    values[v] /= in.readUnsignedInt();
                }
            }
            tags.put(tag, values);
        }
        return new TiffDirectory(in.getByteOrder(), tags);
    }

    double[] values(int tag, double... otherwise) {
        double[] values = tags.getOrDefault(tag, otherwise);
        return values.length < otherwise.length ? otherwise : values;
    }

    double value(int tag, double otherwise) {
        return values(tag, otherwise)[0];
    }

    /** As bytes that stand at a place of a file, in the types that TIFF 6.0 names; for tags of whole numbers. */
    byte[] written(long at) {
        ByteArrayOutputStream behind = new ByteArrayOutputStream();
        ByteBuffer directory = ByteBuffer.allocate(2 + 12 * tags.size() + 4).order(order);
        directory.putShort((short) tags.size());
        tags.forEach((tag, values) -> {
            int type = tag == JPEG_TABLES ? UNDEFINED : PLACES_AND_SIZES.contains(tag) ? LONG : SHORT;
            byte[] body = bytes(type, values);
            directory.putShort((short) (int) tag).putShort((short) type).putInt(values.length);
            if (body.length == 4) {
                directory.put(body);
            } else {
                directory.putInt((int) (at + directory.capacity() + behind.size()));
                behind.writeBytes(body);
            }
        });
        byte[] written = Arrays.copyOf(directory.array(), directory.capacity() + behind.size());
        System.arraycopy(behind.toByteArray(), 0, written, directory.capacity(), behind.size());
        return written;
    }

    /** At least as many as a directory's entry holds. */
    private byte[] bytes(int type, double[] values) {
        ByteBuffer body = ByteBuffer.allocate(Math.max(4, values.length * (type == LONG ? 4 : type == SHORT ? 2 : 1))).order(order);
        for (double v : values) {
            switch (type) {
                case LONG -> body.putInt((int) (long) v);
                case SHORT -> body.putShort((short) (int) v);
                default -> body.put((byte) (int) v);
            }
        }
        return body.array();
    }
}
