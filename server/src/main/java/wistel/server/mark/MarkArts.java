package wistel.server.mark;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.awt.image.BufferedImage;
import java.awt.image.IndexColorModel;
import java.awt.image.WritableRaster;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import javax.imageio.ImageIO;
import javax.imageio.stream.MemoryCacheImageInputStream;
import org.springframework.stereotype.Service;
import wistel.core.docket.spec.ColourPath;
import wistel.core.fault.InvalidRequest;
import wistel.core.fault.PictureException;
import wistel.core.fault.ProfileException;
import wistel.core.fault.RecordException;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.Observer;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCache;
import wistel.core.pictures.PictureFacts;
import wistel.core.pictures.PictureFile;
import wistel.core.pictures.View;
import wistel.core.render.LayoutRenderer;
import wistel.core.render.MarkPainters;
import wistel.core.render.SafeSvg;
import wistel.core.render.StampArt;
import wistel.core.rendition.PlacedTransform;
import wistel.core.rendition.RenditionChange;
import wistel.core.rendition.RenditionCompiler;
import wistel.core.sheet.Mark;
import wistel.core.sheet.MarkArt;
import wistel.core.sheet.Page;
import wistel.server.store.FileStore;

/** What marks of one's own show: read from their files, kept in memory while they are used. */
@Service
public class MarkArts {
    public static final int MOST_BYTES = 20 << 20;
    /** At 720 pixels an inch, a mark of 100 mm a side. */
    private static final long MOST_PIXELS = 8_000_000;
    private static final int KEPT = 8;
    private static final long TRANSFORMS_BYTES = 32L << 20;

    private final FileStore files;
    /** To WORKING and back, made when the first mark is used. */
    private final TransformCache transforms = new TransformCache(TRANSFORMS_BYTES);
    private final Cache<String, StampArt> kept = Caffeine.newBuilder().executor(Runnable::run).maximumSize(KEPT).build();

    MarkArts(FileStore files) {
        this.files = files;
    }

    private Transform toWorking(IccProfile profile) {
        return transforms.get(RenditionCompiler.recipe(profile, RenditionChange.NONE, Intent.RELATIVE, false));
    }

    private Transform fromRgb() {
        return toWorking(StandardSpaces.SRGB);
    }

    /** Bare paper in WORKING. */
    public char[] white() {
        return fromRgb().apply(new char[] {65535, 65535, 65535});
    }

    /** Codes of WORKING in sRGB. */
    char[] onScreen(char[] working) {
        return transforms
            .get(new Recipe.Convert(RenditionCompiler.WORKING, StandardSpaces.SRGB, Intent.RELATIVE, false, Observer.ADAPTED))
            .apply(working);
    }

    public StampArt art(MarkArt mark) {
        return kept.get(mark.kind() + mark.content(), k -> switch (mark.kind()) {
            case WORDS -> MarkPainters.words(mark.content(), fromRgb());
            case DRAWING -> MarkPainters.drawing(bytes(mark), fromRgb());
            case PICTURE -> bitmap(bytes(mark));
        });
    }

    private byte[] bytes(MarkArt mark) {
        if (!files.has(mark.content())) {
            throw new RecordException(RecordException.Reason.RECORD_DAMAGED, "The file of the mark “" + mark.name() + "” is gone.",
                "Take the mark off the docket, or bring it in the settings again.", null);
        }
        return files.bytes(mark.content());
    }

    /**
     * Keeps a mark's file.
     *
     * @throws InvalidRequest   when it is neither PNG nor SVG, or can't be drawn
     * @throws PictureException when it is a damaged PNG
     */
    MarkArt take(String name, InputStream body) throws IOException {
        byte[] file = body.readNBytes(MOST_BYTES + 1);
        if (file.length > MOST_BYTES) {
            throw FileStore.tooLarge(MOST_BYTES);
        }
        boolean png = file.length > 4 && (file[0] & 0xFF) == 0x89 && file[1] == 'P' && file[2] == 'N' && file[3] == 'G';
        if (png) {
            StampArt.Bitmap art = bitmap(file);
            return new MarkArt(MarkArt.Kind.PICTURE, name, kept(file), (double) art.premultiplied().width() / art.premultiplied().height());
        }
        byte[] safe = SafeSvg.of(file);
        double aspect = MarkPainters.drawing(safe, fromRgb()).aspect();
        return new MarkArt(MarkArt.Kind.DRAWING, name, kept(safe), aspect);
    }

    private String kept(byte[] file) throws IOException {
        return files.put(out -> out.write(file)).hash();
    }

    MarkArt words(String name, String words) {
        // refused by its length before it is drawn: an outline of a hundred thousand letters takes seconds
        MarkArt square = new MarkArt(MarkArt.Kind.WORDS, name, words.strip(), 1);
        return new MarkArt(square.kind(), name, square.content(), MarkPainters.words(square.content(), fromRgb()).aspect());
    }

    private StampArt.Bitmap bitmap(byte[] png) {
        PictureFacts facts = PictureFile.open(() -> new MemoryCacheImageInputStream(new ByteArrayInputStream(png))).facts();
        if ((long) facts.width() * facts.height() > MOST_PIXELS) {
            throw new InvalidRequest(InvalidRequest.Reason.FILE_TOO_LARGE, "This mark has more than 8 million pixels.",
                "Export it smaller, or as SVG: that is drawn at any size.");
        }
        try {
            BufferedImage image = ImageIO.read(new ByteArrayInputStream(png));
            if (image == null) {
                throw damaged(null);
            }
            return bitmap(image, profile(facts));
        } catch (IOException | RuntimeException e) {
            throw damaged(e);
        }
    }

    private static PictureException damaged(Exception e) {
        return new PictureException(PictureException.Reason.DAMAGED, "This PNG is damaged" + (e == null ? "." : ": " + e.getMessage()),
            "Export it anew.");
    }

    private static IccProfile profile(PictureFacts facts) {
        try {
            IccProfile embedded = facts.profile().length == 0 ? StandardSpaces.SRGB : ProfileReader.read(facts.profile());
            return embedded.space().channels() == 3 ? embedded : StandardSpaces.SRGB;
        } catch (ProfileException e) {
            return StandardSpaces.SRGB;
        }
    }

    private StampArt.Bitmap bitmap(BufferedImage image, IccProfile profile) {
        int pixels = image.getWidth() * image.getHeight();
        char[] rgb = new char[3 * pixels];
        char[] alpha = new char[pixels];
        read(image, rgb, alpha);
        char[] working = toWorking(profile).apply(rgb);
        char[] premultiplied = new char[4 * pixels];
        boolean covers = true;
        for (int i = 0; i < pixels; i++) {
            covers &= alpha[i] == 65535;
            premultiplied[4 * i + 3] = alpha[i];
            for (int c = 0; c < 3; c++) {
                premultiplied[4 * i + c] = (char) Math.round(working[3 * i + c] * (alpha[i] / 65535.0));
            }
        }
        return new StampArt.Bitmap(new View(image.getWidth(), image.getHeight(), 4, premultiplied), covers);
    }

    /** Samples of a PNG as they are in its file, in 16 bit: gray or colour, with how much they cover or without, or from a palette. */
    private static void read(BufferedImage image, char[] rgb, char[] alpha) {
        boolean palette = image.getColorModel() instanceof IndexColorModel;
        WritableRaster raster = image.getRaster();
        int bands = raster.getNumBands();
        int colours = bands >= 3 ? 3 : 1;
        double scale = 65535.0 / ((1 << image.getColorModel().getComponentSize(0)) - 1);
        int[] pixel = new int[4];
        for (int i = 0; i < alpha.length; i++) {
            int x = i % image.getWidth();
            int y = i / image.getWidth();
            int argb = palette ? image.getRGB(x, y) : 0;
            pixel = palette ? pixel : raster.getPixel(x, y, pixel);
            for (int c = 0; c < 3; c++) {
                rgb[3 * i + c] = (char) (palette ? (argb >> 16 - 8 * c & 0xFF) * 257 : Math.round(pixel[colours == 1 ? 0 : c] * scale));
            }
            alpha[i] = (char) (palette ? (argb >>> 24) * 257 : bands > colours ? Math.round(pixel[colours] * scale) : 65535);
        }
    }

    /**
     * To be told of the pictures of a page; nothing is made of them where no mark lies on it.
     *
     * @param compile makes or finds transforms
     * @param neutral nothing may add colour
     */
    public OfPage of(Page page, Function<Recipe, Transform> compile, boolean neutral) {
        Map<String, StampArt> shown = new HashMap<>();
        for (Mark mark : page.marks()) {
            if (mark instanceof Mark.Stamp stamp) {
                shown.put(stamp.art().content(), art(stamp.art()));
            }
        }
        return new OfPage(shown, compile, neutral);
    }

    /** What the marks of one page need to be laid down, gathered while its pictures are. */
    public final class OfPage {
        private final Map<String, StampArt> shown;
        private final Function<Recipe, Transform> compile;
        private final boolean neutral;
        private final Map<String, PlacedTransform> toWorking = new HashMap<>();
        private Optional<Transform> onward = Optional.empty();

        private OfPage(Map<String, StampArt> shown, Function<Recipe, Transform> compile, boolean neutral) {
            this.shown = shown;
            this.compile = compile;
            this.neutral = neutral;
        }

        /**
         * A picture of the page. Marks go on as the first one does.
         *
         * @param id     names its colours
         * @param source profile of its master
         */
        public void picture(String id, ColourPath path, IccProfile source) {
            if (!shown.isEmpty()) {
                toWorking.put(id, path.toWorking(source, compile));
                onward = onward.or(() -> Optional.of(path.onward(compile)));
            }
        }

        /** Empty where the page has no marks of one's own, or no picture. */
        public Optional<LayoutRenderer.Stamps> stamps() {
            return onward.map(last -> new LayoutRenderer.Stamps(shown, toWorking, last, white(), neutral));
        }
    }
}
