package wistel.core.tone;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.BinaryBitmap;
import com.google.zxing.DecodeHintType;
import com.google.zxing.PlanarYUVLuminanceSource;
import com.google.zxing.ReaderException;
import com.google.zxing.Result;
import com.google.zxing.ResultPoint;
import com.google.zxing.WriterException;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import com.google.zxing.qrcode.encoder.ByteMatrix;
import com.google.zxing.qrcode.encoder.Encoder;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The code in one corner of a wedge (ISO/IEC 18004, version 1): it says which wedge and which corner, and its three finder patterns tell a
 * scan's place, turn and scale.
 *
 * @param wedge  its number
 * @param corner 0 upper left, 1 upper right, 2 lower left, 3 lower right
 */
record CornerCode(int wedge, int corner) {
    static final int MODULES = 21;
    /** Middle of the finder patterns: upper left, upper right, lower left, in modules. */
    static final double[][] FINDERS = {{3.5, 3.5}, {17.5, 3.5}, {3.5, 17.5}};
    private static final Pattern TEXT = Pattern.compile("W(\\d{1,9})\\.([0-3])");

    /** Row by row, true for black. */
    boolean[][] modules() {
        try {
            ByteMatrix matrix = Encoder.encode("W" + wedge + "." + corner, ErrorCorrectionLevel.M).getMatrix();
            boolean[][] black = new boolean[matrix.getHeight()][matrix.getWidth()];
            for (int y = 0; y < black.length; y++) {
                for (int x = 0; x < black[y].length; x++) {
                    black[y][x] = matrix.get(x, y) == 1;
                }
            }
            return black;
        } catch (WriterException e) {
            throw new IllegalStateException("a code of " + this, e);
        }
    }

    /**
     * A code that was found.
     *
     * @param finders x, y of the middles of its finder patterns, in the order of {@link #FINDERS}, in pixels
     */
    record Found(CornerCode code, List<double[]> finders) {
    }

    /**
     * In a part of a picture of 8-bit grays, row by row; empty where none is found there.
     *
     * @param part left, top, width, height
     */
    static Optional<Found> in(byte[] grays, int width, int[] part) {
        PlanarYUVLuminanceSource source = new PlanarYUVLuminanceSource(grays, width, grays.length / width, part[0], part[1], part[2],
            part[3], false);
        try {
            Result result = new QRCodeReader().decode(new BinaryBitmap(new HybridBinarizer(source)),
                Map.of(DecodeHintType.TRY_HARDER, true, DecodeHintType.POSSIBLE_FORMATS, List.of(BarcodeFormat.QR_CODE)));
            Matcher text = TEXT.matcher(result.getText());
            if (!text.matches()) {
                return Optional.empty();
            }
            ResultPoint[] at = result.getResultPoints();
            // told as lower left, upper left, upper right
            List<double[]> finders = List.of(point(at[1], part), point(at[2], part), point(at[0], part));
            return Optional.of(new Found(new CornerCode(Integer.parseInt(text.group(1)), Integer.parseInt(text.group(2))), finders));
        } catch (ReaderException e) {
            return Optional.empty();
        }
    }

    private static double[] point(ResultPoint p, int[] part) {
        return new double[] {p.getX() + part[0], p.getY() + part[1]};
    }
}
