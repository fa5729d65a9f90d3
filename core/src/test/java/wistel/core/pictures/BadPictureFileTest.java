package wistel.core.pictures;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static wistel.core.pictures.PictureFiles.animated;
import static wistel.core.pictures.PictureFiles.assertCode;
import static wistel.core.pictures.PictureFiles.cutPixels;
import static wistel.core.pictures.PictureFiles.encoded;
import static wistel.core.pictures.PictureFiles.open;
import static wistel.core.pictures.PictureFiles.picture;
import static wistel.core.pictures.PictureFiles.withChunk;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.zip.Deflater;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import wistel.core.fault.PictureException;

/** Files that are damaged, cut off, or no pictures at all. */
public class BadPictureFileTest {
    /** A profile that can't be unpacked is handed on as unreadable, so that the docket can say so; the picture stays. */
    @Test
    public void aDamagedProfileInAPngCostsOnlyTheProfile() throws IOException {
        byte[] png = encoded(picture(30, 20), "png");
        for (byte[] body : new byte[][] {{'p'}, {'p', 'q', 'r', 's'}, {'p', 0, 0, 1, 2, 3, 4, 5, 6, 7}}) {
            PictureFile file = open(withChunk(png, "iCCP", body));
            assertThat(file.facts().profile()).hasSize(1);
            assertThat(file.facts().width()).isEqualTo(30);
        }
    }

    @DataProvider
    Object[][] otherFormats() {
        return new Object[][] {
            {"8BPS\0\1............", "layered"}, {"RIFF....WEBPVP8 ", "WebP"}, {"%PDF-1.7........", "PDF"}, {"....ftypheic....", "HEIF"},
            {"GIF89a..........", "GIF"}, {"................", "not a picture"}};
    }

    /** Formats that people do drop in are called by their names, and the way out is said. */
    @Test(dataProvider = "otherFormats")
    public void otherFormatsAreCalledByTheirNames(String head, String name) {
        assertThatThrownBy(() -> open(head.getBytes(StandardCharsets.ISO_8859_1))).isInstanceOfSatisfying(PictureException.class, e -> {
            assertThat(e.getMessage()).contains(name);
            assertThat(e.next()).contains("JPEG, PNG and TIFF");
        });
    }

    /**
     * A frame header of another kind than baseline, extended and progressive (ITU-T T.81, table B.1): lossless, arithmetic, differential.
     */
    @Test
    public void jpegsOfRareKindsAreCalledUnsupportedNotDamaged() throws IOException {
        byte[] jpeg = encoded(picture(64, 48), "jpg");
        int frame = 0;
        while ((jpeg[frame] & 0xFF) != 0xFF || (jpeg[frame + 1] & 0xFF) != 0xC0) {
            frame++;
        }
        for (int kind : new int[] {0xC3, 0xC5, 0xC9, 0xCA}) {
            byte[] rare = jpeg.clone();
            rare[frame + 1] = (byte) kind;
            assertCode(rare, "picture-unsupported");
        }
    }

    /** A file whose decoding takes more than its time is given up, whatever the decoder is at. */
    @Test
    public void readingEndsWhenItsTimeIsUp() throws IOException {
        for (byte[] file : List.of(encoded(picture(3000, 2000), "jpg"), encoded(picture(3000, 2000), "png"),
            encoded(picture(3000, 2000), "tiff"))) {
            assertThatThrownBy(() -> open(file).rows(Duration.ofMillis(5)).rows((y, samples) -> {})).isInstanceOfSatisfying(
                PictureException.class,
                e -> assertThat(e.reason()).isEqualTo(PictureException.Reason.TOO_SLOW));
            open(file).rows(Duration.ofMinutes(5)).rows((y, samples) -> {});
        }
    }

    @DataProvider
    Object[][] bad() throws IOException {
        byte[] jpeg = encoded(picture(300, 200), "jpg");
        byte[] png = encoded(picture(300, 200), "png");
        byte[] huge = png.clone();
        ByteBuffer.wrap(huge).putInt(16, 100_000).putInt(20, 100_000);
        byte[] cmyk = jpeg.clone();
        for (int i = 0; i < cmyk.length - 10; i++) {
            if ((cmyk[i] & 0xFF) == 0xFF && (cmyk[i + 1] & 0xFF) == 0xC0) {
                cmyk[i + 9] = 4;
                break;
            }
        }
        return new Object[][] {
            {"an empty file", new byte[0], "picture-empty"},
            {"a text", "Dear printer, please make it nice".getBytes(StandardCharsets.ISO_8859_1), "picture-unknown"},
            {"an animation", "GIF89a..............".getBytes(StandardCharsets.ISO_8859_1), "picture-unknown"},
            {"a 100 000 x 100 000 header", huge, "picture-too-large"},
            {"a CMYK JPEG", cmyk, "picture-cmyk"},
            {"an animated PNG", animated(png), "picture-animated"},
            {"a PNG cut before its pixels", Arrays.copyOf(png, 30), "picture-truncated"}};
    }

    @Test(dataProvider = "bad")
    public void badFilesEachGetTheirSentence(String what, byte[] bytes, String code) {
        assertThatThrownBy(() -> open(bytes)).as(what).isInstanceOfSatisfying(PictureException.class,
            e -> assertThat(e.code()).isEqualTo(code));
    }

    @Test
    public void aPictureCutInTheMiddleIsFoundOutWhileItIsRead() throws IOException {
        for (String format : new String[] {"jpg", "png", "tiff"}) {
            byte[] whole = encoded(picture(600, 400), format);
            byte[] cut = format.equals("tiff") ? cutPixels(whole) : Arrays.copyOf(whole, whole.length * 6 / 10);
            assertThatThrownBy(() -> {
                PictureFile file = open(cut);
                Pictures.read(file, 0, 0, 600, 400, new char[600 * 400 * 3]);
            }).as(format).isInstanceOf(PictureException.class);
        }
    }

    /** 300 MB of profile in a few hundred kilobytes of PNG: it is inflated no further than a profile may go. */
    @Test
    public void aBombInThePngProfileIsNotBlownUp() throws IOException {
        Deflater deflater = new Deflater();
        ByteArrayOutputStream packed = new ByteArrayOutputStream();
        byte[] zeros = new byte[1 << 20];
        byte[] out = new byte[1 << 16];
        for (int i = 0; i < 300; i++) {
            deflater.setInput(zeros);
            while (!deflater.needsInput()) {
                packed.write(out, 0, deflater.deflate(out));
            }
        }
        byte[] body = ByteBuffer.allocate(3 + packed.size()).put((byte) 'p').put((byte) 0).put((byte) 0).put(packed.toByteArray()).array();
        byte[] png = encoded(picture(30, 20), "png");
        byte[] bomb = withChunk(png, "iCCP", body);
        assertThat(open(bomb).facts().profile().length).isLessThan(34 << 20);
    }
}
