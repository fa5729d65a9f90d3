package wistel.core.render;

import java.io.OutputStream;

/**
 * Interleaved samples and nothing else, big-endian: what an encoder reads that wants the whole page before it begins.
 *
 * @param bits      8 or 16
 * @param luminance RGB as luminance and two colour differences (JFIF 1.02), as a JPEG holds it; 8 bits
 */
public record SampleSink(int channels, int bits, boolean luminance) implements RasterSink {
    @Override
    public void begin(OutputStream out, int bandRows) {
        // samples alone
    }

    @Override
    public Packed pack(char[] samples, int firstRow, int rows) {
        byte[] bytes = luminance ? differences(samples) : RasterSink.bytes(samples, samples.length, bits);
        return new Packed(bytes, bytes.length);
    }

    private static byte[] differences(char[] samples) {
        byte[] bytes = new byte[samples.length];
        for (int i = 0; i < samples.length; i += 3) {
            double r = samples[i] / 257.0;
            double g = samples[i + 1] / 257.0;
            double b = samples[i + 2] / 257.0;
            bytes[i] = code(0.299 * r + 0.587 * g + 0.114 * b);
            bytes[i + 1] = code(-0.168736 * r - 0.331264 * g + 0.5 * b + 128);
            bytes[i + 2] = code(0.5 * r - 0.418688 * g - 0.081312 * b + 128);
        }
        return bytes;
    }

    private static byte code(double v) {
        return (byte) Math.max(0, Math.min(255, Math.round(v)));
    }
}
