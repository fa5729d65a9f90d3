package wistel.server.proof;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;
import wistel.core.docket.spec.ColourPath;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.Sharpening;
import wistel.core.fault.NotFound;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.length.Length;
import wistel.core.length.Margins;
import wistel.core.pairing.PairingVersion;
import wistel.core.paper.Surface;
import wistel.core.pictures.Orientation;
import wistel.core.pictures.PictureFile;
import wistel.core.printer.ColourRoute;
import wistel.core.progress.Progress;
import wistel.core.render.LayoutRenderer;
import wistel.core.render.PictureLight;
import wistel.core.render.PwgRaster;
import wistel.core.render.PwgSink;
import wistel.core.render.Sharpener;
import wistel.core.rendition.PlacedTransform;
import wistel.core.sheet.Page;
import wistel.core.sheet.Placed;
import wistel.core.sheet.Rect;
import wistel.server.docket.DocketAssessment;
import wistel.server.master.Master;
import wistel.server.master.PixelExecutor;
import wistel.server.master.PreviewStore;
import wistel.server.store.FileStore;
import wistel.server.store.ProfileRepository;

/** A small part of the final raster, pixel for pixel as the printer gets it, but in the display's colours as the proof shows them. */
@Service
class LoupeService {
    /** Side of what is shown, in pixels of the print. */
    static final int SIDE = 160;
    /** Rendered around it, so that sharpening sees its surroundings. */
    private static final int AROUND = 48;
    private static final int DPI_WITHOUT_PRINTER = 360;

    private final FileStore files;
    private final ProfileRepository profiles;
    private final PreviewStore previews;
    private final PixelExecutor workers;
    private final ToneProofs tones;

    LoupeService(FileStore files, ProfileRepository profiles, PreviewStore previews, PixelExecutor workers, ToneProofs tones) {
        this.tones = tones;
        this.files = files;
        this.profiles = profiles;
        this.previews = previews;
        this.workers = workers;
    }

    /**
     * @param part of the picture, among those that the layout cuts it into, from 0
     * @param x, y of its middle in that part, 0 to 1
     * @param mask what sharpening works on in place of the picture
     */
    record At(int part, double x, double y, Sharpening sharpening, boolean mask) {
    }

    byte[] picture(DocketAssessment judged, Master master, String renditionId, At at) {
        DocketSpec d = judged.row().spec();
        List<Placed> parts = judged.layout().parts(renditionId);
        if (at.part < 0 || at.part >= parts.size()) {
            throw new NotFound(parts.isEmpty() ? "This picture lies on no page." : "This picture has no part " + at.part + ".",
                "Look at the docket as it is now.");
        }
        Placed placed = parts.get(at.part);
        int dpi = judged.facts().printer().map(p -> p.inputDpi(Math.min(placed.ppi(), d.resolution().mostPpi())))
            .orElse(DPI_WITHOUT_PRINTER);
        int side = SIDE + 2 * AROUND;
        double mm = side * Length.MM_PER_INCH / dpi;
        double width = placed.uprightWidthMm();
        double height = placed.uprightHeightMm();
        Rect shifted = new Rect(mm / 2 - at.x * width, mm / 2 - at.y * height, width, height);
        Page page = Page.of(mm, mm, Margins.NONE, Orientation.UPRIGHT,
            List.of(new Placed(renditionId, placed.crop(), placed.straighten(), shifted, Orientation.UPRIGHT)), List.of());
        IccProfile source = previews.profile(master);
        PictureFile file = PictureFile.open(files.image(master.hash()));
        LayoutRenderer.Picture picture = new LayoutRenderer.Picture(file.rows(), file.facts().orientation(), PictureLight.of(source),
            PictureLight.luminance(source),
            conversion(judged, master, renditionId, source), Optional.empty());
        LayoutRenderer.Job job = LayoutRenderer.Job.plain(page, Map.of(renditionId, picture), dpi, d.resolution().mostPpi(),
            sharpener(d, judged, at, dpi));
        return middle(job);
    }

    private PlacedTransform conversion(DocketAssessment judged, Master master, String renditionId, IccProfile source) {
        DocketSpec d = judged.row().spec();
        RenditionView asIs = new RenditionView(master, d.rendition(renditionId).change());
        Optional<ToneProofs.MeasuredProof> toned = judged.facts().pairing().map(p -> tones.of(judged, renditionId, asIs, p));
        Optional<PairingVersion> pairing = toned.map(ToneProofs.MeasuredProof::pairing);
        ColourRoute.ByWistel shown = pairing.map(d::shownRoute).orElse(new ColourRoute.ByWistel(Intent.RELATIVE, true));
        return ColourPath.toProof(shown, pairing.map(p -> profiles.get(p.profileHash())),
            toned.map(ToneProofs.MeasuredProof::seen).orElse(asIs).change(), StandardSpaces.SRGB).from(source, TransformCompiler::compile);
    }

    private static Sharpener sharpener(DocketSpec d, DocketAssessment judged, At at, int dpi) {
        Surface surface = Surface.of(judged.facts().pairing().map(PairingVersion::surface).orElse(""));
        Sharpening used = at.sharpening == Sharpening.OFF && at.mask ? Sharpening.STANDARD : at.sharpening;
        Sharpener sharpener = Sharpener.onPaper(used.radiusMm(surface, d.resolution().viewingMm()), used.amount(surface), dpi);
        return at.mask ? sharpener.mask() : sharpener;
    }

    private byte[] middle(LayoutRenderer.Job job) {
        try {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            PwgRaster.Page raster = new PwgRaster.Page(job.width(), job.height(), (int) job.dpi(), 16, PwgRaster.Space.SRGB, 0, 0, "", "",
                5, 1);
            new LayoutRenderer(workers.executor(), files::scratch).render(job, new PwgSink(raster), out, Progress.SILENT);
            PwgRaster.Reader reader = new PwgRaster.Reader(new ByteArrayInputStream(out.toByteArray()));
            reader.nextPage();
            char[] row = new char[3 * job.width()];
            char[] shown = new char[3 * SIDE * SIDE];
            for (int y = 0; y < AROUND + SIDE; y++) {
                reader.row(row);
                if (y >= AROUND) {
                    System.arraycopy(row, 3 * AROUND, shown, 3 * SIDE * (y - AROUND), 3 * SIDE);
                }
            }
            return Png.of(SIDE, SIDE, shown);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
