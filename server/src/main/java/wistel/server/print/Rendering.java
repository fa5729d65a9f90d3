package wistel.server.print;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CancellationException;
import java.util.function.Function;
import org.springframework.stereotype.Component;
import wistel.core.docket.PrintOrder;
import wistel.core.docket.spec.ColourPath;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.LabFile;
import wistel.core.docket.spec.Sharpening;
import wistel.core.docket.spec.Variations;
import wistel.core.fault.Conflict;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.paper.SheetSize;
import wistel.core.paper.Surface;
import wistel.core.pictures.PictureFile;
import wistel.core.pictures.RowSource;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.DriverSettings;
import wistel.core.printer.RasterType;
import wistel.core.progress.Progress;
import wistel.core.render.CoverageSink;
import wistel.core.render.FingerprintSink;
import wistel.core.render.LayoutRenderer;
import wistel.core.render.PageFingerprint;
import wistel.core.render.PictureLight;
import wistel.core.render.PwgRaster;
import wistel.core.render.PwgSink;
import wistel.core.render.SampleSink;
import wistel.core.render.Sharpener;
import wistel.core.render.TiffSink;
import wistel.core.render.Xmp;
import wistel.core.rendition.RenditionChange;
import wistel.core.sheet.Page;
import wistel.core.sheet.Placed;
import wistel.server.edge.Events;
import wistel.server.edge.Shutdown;
import wistel.server.mark.MarkArts;
import wistel.server.master.MasterRepository;
import wistel.server.master.PixelExecutor;
import wistel.server.master.SideTextures;
import wistel.server.store.FileStore;
import wistel.server.store.ProfileRepository;

/** Makes print files from orders, and from nothing else: the same order gives the same file, today and in years. */
@Component
public class Rendering {
    /** Only sharpening asks for luminance. */
    private static final float[] UNUSED = {};
    private static final int LONGEST_JPEG = 65_500;
    private static final long TELL_EVERY_NANOS = 400_000_000L;

    private final AttemptRepository attempts;
    private final PageFileRepository pageFiles;
    private final PrintProgressRepository progress;
    private final FileStore files;
    private final ProfileRepository profiles;
    private final MasterRepository masters;
    private final SideTextures textures;
    private final MarkArts marks;
    private final PixelExecutor workers;
    private final Events events;
    private final Shutdown shutdown;

    Rendering(AttemptRepository attempts, PageFileRepository pageFiles, PrintProgressRepository progress, FileStore files,
        ProfileRepository profiles,
        MasterRepository masters, SideTextures textures, MarkArts marks,
        PixelExecutor workers, Events events, Shutdown shutdown) {
        this.masters = masters;
        this.textures = textures;
        this.marks = marks;
        this.attempts = attempts;
        this.pageFiles = pageFiles;
        this.progress = progress;
        this.files = files;
        this.profiles = profiles;
        this.workers = workers;
        this.events = events;
        this.shutdown = shutdown;
    }

    boolean hasFile(AttemptPage page) {
        return page.fileHash().isPresent() && files.has(page.fileHash().get());
    }

    void render(Attempt a, AttemptPage page, PrintProgressRepository.Lease lease) throws IOException {
        progress.making(lease, page.page(), 0);
        events.publish("attempt", a.id().toString());
        Made made = file(attempts.order(a.id()), page.page(), progress(lease, page.page()));
        progress.rendered(lease, page.page(), made, anew(a, page, made));
    }

    /**
     * How a file that was made again differs from the one that was printed; empty when they are the same to the byte, or it is the first.
     */
    private Optional<MadeAnew> anew(Attempt a, AttemptPage page, Made made) {
        if (page.fileHash().isEmpty() || page.fileHash().get().equals(made.hash)) {
            return Optional.empty();
        }
        return Optional.of(
            pageFiles.fingerprint(a.id(), page.page()).map(then -> MadeAnew.of(then.difference(made.fingerprint)))
                .orElse(MadeAnew.UNKNOWN));
    }

    /**
     * @param coverage    of the page with ink, where its numbers are the printer's own colorants
     * @param engine      that made it
     * @param fingerprint what it looks like
     */
    public record Made(String hash, String engine, Optional<Double> coverage, PageFingerprint fingerprint) {
    }

    public Made file(PrintOrder order, int number, Progress progress) throws IOException {
        Page page = order.page(number);
        double dpi = order.output().dpi();
        LayoutRenderer.Job job = job(order, page);
        LayoutRenderer renderer = new LayoutRenderer(workers.executor(), files::scratch, order.passes());
        if (order.labFile().isPresent()) {
            return labFile(order, job, renderer, progress);
        }
        RasterType raster = order.output().raster();
        DriverSettings settings = Variations.of(order.spec(), page).settings();
        PwgSink sink = new PwgSink(
            new PwgRaster.Page(job.width(), job.height(), (int) Math.round(dpi), raster.bits(), raster(raster.space()),
                PwgRaster.points(page.fedWidthMm()), PwgRaster.points(job.raster().sentLengthMm(page)),
                SheetSize.ippName(page.fedWidthMm(), job.raster().sentLengthMm(page)), settings.mediaType(), settings.quality(), 1));
        CoverageSink counted = new CoverageSink(sink);
        FingerprintSink looked = new FingerprintSink(counted, job.width(), job.height());
        String hash = files.put(out -> renderer.render(job, looked, out, progress)).hash();
        return new Made(hash, PrintOrder.ENGINE, raster.device() ? Optional.of(counted.coverage()) : Optional.empty(),
            fingerprint(order, looked));
    }

    /** What the numbers of a file look like: on the order's paper, or as what the file says that they are. */
    private PageFingerprint fingerprint(PrintOrder order, FingerprintSink looked) {
        char[] codes = looked.codes();
        char[] lab = new char[codes.length / looked.channels() * 3];
        TransformCompiler.compile(new Recipe.DeviceToLab(codes(order), true)).exact(codes, 0, lab, 0, lab.length / 3);
        return PageFingerprint.of(lab);
    }

    /** What a page of an order looks like, read from the file that it was printed from. */
    PageFingerprint fingerprint(PrintOrder order, String fileHash) throws IOException {
        try (InputStream in = files.open(fileHash)) {
            PwgRaster.Reader reader = new PwgRaster.Reader(in);
            PwgRaster.Page page = reader.nextPage();
            FingerprintSink looked = new FingerprintSink(new PwgSink(page), page.width(), page.height());
            char[] row = new char[page.width() * page.space().channels()];
            for (int y = 0; y < page.height(); y++) {
                reader.row(row);
                looked.count(row, y, 1);
            }
            return fingerprint(order, looked);
        }
    }

    private Made labFile(PrintOrder order, LayoutRenderer.Job job, LayoutRenderer renderer, Progress progress) throws IOException {
        LabFile file = order.labFile().orElseThrow();
        byte[] profile = codes(order).bytes();
        byte[] xmp = Xmp.titled(order.spec().title());
        if (file.format() == LabFile.Format.TIFF) {
            FingerprintSink sink = new FingerprintSink(new TiffSink(job.width(), job.height(), 16, 3, job.dpi(), profile, xmp), job.width(),
                job.height());
            String hash = files.put(out -> renderer.render(job, sink, out, progress)).hash();
            return new Made(hash, PrintOrder.ENGINE, Optional.empty(), fingerprint(order, sink));
        }
        boolean jpeg = file.format() == LabFile.Format.JPEG;
        if (jpeg && Math.max(job.width(), job.height()) > LONGEST_JPEG) {
            throw new Conflict(Conflict.Reason.STOPPED, "A JPEG has at most " + LONGEST_JPEG + " pixels a side.", "Write a TIFF or a PDF.");
        }
        try (FileChannel samples = files.scratch(); FileChannel deflated = files.scratch()) {
            OutputStream raw = new BufferedOutputStream(Channels.newOutputStream(samples), 1 << 18);
            FingerprintSink sink = new FingerprintSink(new SampleSink(3, jpeg ? 8 : 16, jpeg), job.width(), job.height());
            renderer.render(job, sink, raw, progress);
            raw.flush();
            LabFileWriter.Content content = new LabFileWriter.Content(samples, job.width(), job.height(), job.dpi(), profile, xmp,
                order.spec().title());
            String hash = files.put(out -> {
                if (jpeg) {
                    LabFileWriter.jpeg(content, file.quality(), out);
                } else {
                    LabFileWriter.pdf(content, job.page(), deflated, out);
                }
            }).hash();
            return new Made(hash, PrintOrder.ENGINE, Optional.empty(), fingerprint(order, sink));
        }
    }

    /** With the pictures that lie on the page. */
    private LayoutRenderer.Job job(PrintOrder order, Page page) {
        Map<String, RowSource> rows = new HashMap<>();
        Map<String, LayoutRenderer.Picture> pictures = new HashMap<>();
        Map<String, LayoutRenderer.SideColours> sides = new HashMap<>();
        // what all pieces of a test strip go through is compiled once
        Map<Recipe, Transform> compiled = new HashMap<>();
        Function<Recipe, Transform> compile = recipe -> compiled.computeIfAbsent(recipe, TransformCompiler::compile);
        MarkArts.OfPage stamps = marks.of(page, compile,
            order.labFile().isEmpty() && order.spec().route() instanceof ColourRoute.DriverMonochrome);
        for (PrintOrder.Master master : order.masters()) {
            List<Placed> uses = page.placedOf(master.renditionId());
            if (uses.isEmpty()) {
                continue;
            }
            PictureFile file = PictureFile.open(files.image(master.hash()));
            IccProfile source = profiles.get(master.profileHash());
            // the same master in two renditions is decoded once
            RowSource stored = rows.computeIfAbsent(master.hash(), h -> file.rows());
            for (Placed placed : uses) {
                pictures.computeIfAbsent(placed.coloursId(), id -> {
                    DocketSpec varied = Variations.of(order.spec(), placed);
                    ColourPath path = path(order, varied, master, source);
                    stamps.picture(id, path, source);
                    return new LayoutRenderer.Picture(stored, file.facts().orientation(), PictureLight.of(source),
                        varied.sharpening() == Sharpening.OFF ? UNUSED : PictureLight.luminance(source),
                        path.from(source, compile),
                        placed.variation().map(v -> sharpener(order, varied.sharpening())));
                });
            }
            ColourPath path = path(order, order.spec(), master, source);
            uses.forEach(placed -> placed.sides().ifPresent(
                s -> sides.put(placed.id(), new LayoutRenderer.SideColours(path.from(source, s.moves(), compile),
                    masters.byHash(master.hash()).flatMap(m -> textures.of(m, placed))))));
        }
        return new LayoutRenderer.Job(page, pictures, sides, order.raster(), sharpener(order, order.spec().sharpening()),
            stamps.stamps());
    }

    private static Sharpener sharpener(PrintOrder order, Sharpening sharpening) {
        Surface surface = Surface.of(order.pairing().surface());
        return Sharpener.onPaper(sharpening.radiusMm(surface, order.spec().resolution().viewingMm()), sharpening.amount(surface),
            order.output().dpi());
    }

    /** @param d the order's spec, or that of a test strip's piece */
    private ColourPath path(PrintOrder order, DocketSpec d, PrintOrder.Master master, IccProfile source) {
        return path(order, d, d.change(master.renditionId(), source.space().channels(), order.curve()).tonesOf(order.tonesOf()));
    }

    /** What the numbers of an order's files mean, whichever picture they are of. */
    private IccProfile codes(PrintOrder order) {
        return path(order, order.spec(), RenditionChange.NONE).codes();
    }

    private ColourPath path(PrintOrder order, DocketSpec d, RenditionChange change) {
        IccProfile paper = profiles.get(order.pairing().profileHash());
        return order.labFile().map(file -> ColourPath.toLabFile(d, order.pairing(), paper, change, file))
            .orElseGet(() -> ColourPath.toPrinter(d, order.pairing(), paper, change, order.output().raster().space()));
    }

    private static PwgRaster.Space raster(RasterType.Space space) {
        return switch (space) {
            case DEVICE -> PwgRaster.Space.DEVICE3;
            case SRGB -> PwgRaster.Space.SRGB;
            case OPRGB -> PwgRaster.Space.OPRGB;
            case GRAY -> PwgRaster.Space.SGRAY;
        };
    }

    private Progress progress(PrintProgressRepository.Lease lease, int page) {
        UUID id = lease.attempt();
        long[] told = {0};
        return share -> {
            if (shutdown.underWay() || Thread.currentThread().isInterrupted()) {
                throw new CancellationException("the server stops");
            }
            long now = System.nanoTime();
            if (now - told[0] < TELL_EVERY_NANOS) {
                return;
            }
            told[0] = now;
            if (attempts.cancelAsked(id)) {
                throw new CancellationException("cancelled");
            }
            progress.making(lease, page, (int) (100 * share));
            events.publish("attempt", id.toString());
        };
    }
}
