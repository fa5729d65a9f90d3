package wistel.server.proof;

import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.DoubleFunction;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import org.springframework.stereotype.Service;
import wistel.core.colour.D50;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;
import wistel.core.docket.PrintOrder;
import wistel.core.docket.findings.PrintPrediction;
import wistel.core.docket.spec.ColourPath;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.spec.Variations;
import wistel.core.fault.InvalidRequest;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.length.Length;
import wistel.core.pairing.PairingVersion;
import wistel.core.pictures.Orientation;
import wistel.core.pictures.View;
import wistel.core.printer.ColourRoute;
import wistel.core.printer.RasterType;
import wistel.core.progress.Progress;
import wistel.core.render.CoverageSink;
import wistel.core.render.LayoutRenderer;
import wistel.core.render.PictureLight;
import wistel.core.render.SampleSink;
import wistel.core.render.Sharpener;
import wistel.core.render.SheetPreview;
import wistel.core.rendition.RenditionChange;
import wistel.core.sheet.Page;
import wistel.core.sheet.PageRaster;
import wistel.core.sheet.Placed;
import wistel.core.tone.ToneScale;
import wistel.server.display.Display;
import wistel.server.docket.DocketAssessment;
import wistel.server.mark.MarkArts;
import wistel.server.master.Master;
import wistel.server.master.MasterRepository;
import wistel.server.master.PixelExecutor;
import wistel.server.master.PreviewStore;
import wistel.server.master.SideTextures;
import wistel.server.pairing.PairingRepository;
import wistel.server.store.FileStore;
import wistel.server.store.ProfileRepository;

/**
 * Draws the sheet as a docket's settings would have it come out: its print file, small, laid down by what is known of printer and paper.
 */
@Service
public class PrintPredictionService {
    private static final int LARGEST = 2000;
    /** Longest side of a view that suffices for most sheets and is resampled five times as fast. */
    private static final int SMALL = 1000;
    private static final int COVERAGE_DPI = 20;

    private final PreviewStore previews;
    private final MasterRepository masters;
    private final ProfileRepository profiles;
    private final PairingRepository pairings;
    private final FileStore files;
    private final PixelExecutor workers;
    private final ProofService proofs;
    private final SideTextures textures;
    private final MarkArts marks;

    PrintPredictionService(PreviewStore previews, MasterRepository masters, ProfileRepository profiles, PairingRepository pairings,
        FileStore files, PixelExecutor workers, ProofService proofs,
        SideTextures textures, MarkArts marks) {
        this.textures = textures;
        this.marks = marks;
        this.previews = previews;
        this.masters = masters;
        this.profiles = profiles;
        this.pairings = pairings;
        this.files = files;
        this.workers = workers;
        this.proofs = proofs;
    }

    /** What there is to say of a page; 1 is the first. */
    public PrintPrediction told(DocketAssessment judged, int number) {
        if (judged.facts().pairing().isEmpty()) {
            throw new InvalidRequest(InvalidRequest.Reason.PAIRING_MISSING, "No paper is chosen yet.", "Choose one at the paper station.");
        }
        Page page = page(judged, number);
        return PrintPrediction.of(Variations.of(judged.row().spec(), page), judged.facts(), page, pairings.all());
    }

    private static Page page(DocketAssessment judged, int number) {
        List<Page> pages = judged.layout().pages();
        if (number < 1 || number > pages.size()) {
            throw new InvalidRequest(InvalidRequest.Reason.PAGE_UNKNOWN, "This docket has no page " + number + ".",
                "Choose one of its pages.");
        }
        return pages.get(number - 1);
    }

    public byte[] picture(DocketAssessment judged, int number, Display display, int longest) {
        Page page = page(judged, number);
        View sheet = sheet(judged, number, Math.min(longest, LARGEST) * Length.MM_PER_INCH / Math.max(page.widthMm(), page.heightMm()));
        return Png.of(sheet.width(), sheet.height(),
            proofs.transforms().get(new Recipe.FromLab(display.profile(), Intent.ABSOLUTE)).apply(sheet.pixels()), display);
    }

    /** Upright, as 16-bit codes of measured L*a*b*. */
    public View sheet(DocketAssessment judged, int number, double dpi) {
        PrintPrediction told = told(judged, number);
        LayoutRenderer.Job job = job(judged, page(judged, number), (int) Math.max(10, Math.round(dpi)), told);
        try {
            return SheetPreview.of(renderer(), job, told.raster() == RasterType.Space.GRAY ? 1 : 3, laid(told, judged));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * A print with what is made round it, without its paper: as it looks on that, or where none is chosen as the master looks.
     *
     * @param print among all that lie on the pages, from 1
     */
    public byte[] alone(DocketAssessment judged, int print, Display display, int longest) {
        List<Page> alone = judged.layout().picturesAlone().pages();
        if (print < 1 || print > alone.size()) {
            throw new InvalidRequest(InvalidRequest.Reason.PAGE_UNKNOWN, "This docket has no print " + print + ".",
                "Choose one of its prints.");
        }
        Page page = alone.get(print - 1);
        int dpi = (int) Math.max(5,
            Math.floor(Math.min(longest, LARGEST) * Length.MM_PER_INCH / Math.max(page.widthMm(), page.heightMm())));
        try {
            if (judged.facts().pairing().isEmpty()) {
                ColourRoute.ByWistel plain = new ColourRoute.ByWistel(Intent.RELATIVE, true);
                View shown = SheetPreview.of(renderer(),
                    job(judged, page, dpi, (d, change) -> ColourPath.toProof(plain, Optional.empty(), change, display.profile())), 3,
                    codes -> codes);
                return Png.of(shown.width(), shown.height(), shown.pixels(), display);
            }
            PrintPrediction told = told(judged, pageOf(judged, print));
            View sheet = SheetPreview.of(renderer(), job(judged, page, dpi, told), told.raster() == RasterType.Space.GRAY ? 1 : 3,
                laid(told, judged));
            return Png.of(sheet.width(), sheet.height(),
                proofs.transforms().get(new Recipe.FromLab(display.profile(), Intent.ABSOLUTE)).apply(sheet.pixels()), display);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The page that a print lies on. */
    private static int pageOf(DocketAssessment judged, int print) {
        int before = 0;
        List<Page> pages = judged.layout().pages();
        for (int i = 0; i < pages.size(); i++) {
            before += pages.get(i).placed().size();
            if (print <= before) {
                return i + 1;
            }
        }
        return pages.size();
    }

    private LayoutRenderer.Job job(DocketAssessment judged, Page page, int dpi, PrintPrediction told) {
        return job(judged, page, dpi,
            (d, change) -> ColourPath.toRaster(d, judged.facts().pairing().orElseThrow(), own(judged), change, told.raster()));
    }

    private LayoutRenderer.Job job(DocketAssessment judged, Page page, int dpi,
        BiFunction<DocketSpec, RenditionChange, ColourPath> leading) {
        Map<String, LayoutRenderer.Picture> pictures = new HashMap<>();
        Map<String, LayoutRenderer.SideColours> sides = new HashMap<>();
        Map<String, Double> scales = new HashMap<>();
        MarkArts.OfPage stamps = marks.of(page, proofs.transforms()::get,
            judged.row().spec().route() instanceof ColourRoute.DriverMonochrome);
        for (PrintOrder.Master used : judged.masters()) {
            List<Placed> uses = page.placedOf(used.renditionId());
            if (uses.isEmpty()) {
                continue;
            }
            Master master = masters.byHash(used.hash()).orElseThrow();
            View view = previews.view(master,
                asked(uses, dpi) * Math.max(master.width(), master.height()) <= SMALL ? SMALL : PreviewStore.LARGEST);
            IccProfile source = previews.profile(master);
            scales.put(used.renditionId(), (double) view.width() / master.width());
            for (Placed placed : uses) {
                pictures.computeIfAbsent(placed.coloursId(), id -> {
                    DocketSpec varied = Variations.of(judged.row().spec(), placed);
                    ColourPath path = leading.apply(varied, change(varied, judged, used.renditionId()));
                    stamps.picture(id, path, source);
                    return new LayoutRenderer.Picture(view, Orientation.UPRIGHT, PictureLight.of(source), new float[0],
                        path.from(source, proofs.transforms()::get), Optional.empty());
                });
            }
            DocketSpec d = judged.row().spec();
            ColourPath path = leading.apply(d, change(d, judged, used.renditionId()));
            uses.forEach(p -> p.sides().ifPresent(made -> sides.put(p.id(),
                new LayoutRenderer.SideColours(path.from(source, made.moves(), proofs.transforms()::get), textures.of(master, p)))));
        }
        return new LayoutRenderer.Job(scaled(page, scales), pictures, sides, PageRaster.exact(dpi, Double.POSITIVE_INFINITY),
            Sharpener.NONE, stamps.stamps());
    }

    /** Pixels of the sheet for one of the master's, where most are asked for. */
    private static double asked(List<Placed> uses, int dpi) {
        return uses.stream()
            .mapToDouble(
                p -> Math.sqrt(p.atMm().width() * p.atMm().height() / (p.crop().width() * p.crop().height())) * dpi / Length.MM_PER_INCH)
            .max().orElse(1);
    }

    /** How much of all pages is covered with ink by this paper's profile, one ink over all of it being 1. */
    public double coverage(DocketAssessment judged) {
        boolean gray = judged.facts().pairing().orElseThrow().grayOnly();
        PrintPrediction asProofed = new PrintPrediction(PrintPrediction.Colours.AS_PROOFED,
            gray ? RasterType.Space.GRAY : RasterType.Space.DEVICE,
            Optional.empty(), List.of());
        double sum = 0;
        double area = 0;
        for (Page page : judged.layout().pages()) {
            CoverageSink sink = new CoverageSink(new SampleSink(gray ? 1 : 3, 16, false));
            try {
                renderer().render(job(judged, page, COVERAGE_DPI, asProofed), sink, OutputStream.nullOutputStream(), Progress.SILENT);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
            sum += sink.coverage() * page.areaMm2();
            area += page.areaMm2();
        }
        return sum / area;
    }

    private LayoutRenderer renderer() {
        return new LayoutRenderer(workers.executor(), files::scratch);
    }

    private static RenditionChange change(DocketSpec d, DocketAssessment judged, String rendition) {
        return d.change(rendition, judged.facts().pictures().get(rendition).channels(), judged.facts().curve(d));
    }

    /** Crops are told in the master's pixels. */
    private static Page scaled(Page page, Map<String, Double> scales) {
        return page.laid(scaled(page.placed(), scales));
    }

    private static List<Placed> scaled(List<Placed> placed, Map<String, Double> scales) {
        List<Placed> scaled = new ArrayList<>();
        for (Placed p : placed) {
            scaled.add(p.scaled(scales.get(p.renditionId())));
        }
        return scaled;
    }

    private IccProfile own(DocketAssessment judged) {
        return profiles.get(judged.facts().pairing().orElseThrow().profileHash());
    }

    /** From those numbers to what an instrument would read on the sheet. */
    private UnaryOperator<char[]> laid(PrintPrediction told, DocketAssessment judged) {
        IccProfile own = own(judged);
        Function<Recipe, UnaryOperator<char[]>> by = recipe -> proofs.transforms().get(recipe)::apply;
        return switch (told.colours()) {
            case AS_PROOFED, OTHER_TYPE_UNKNOWN, UNCONVERTED -> by.apply(new Recipe.DeviceToLab(own, true));
            case OTHER_TYPE -> other(told.by().orElseThrow(), judged.facts().pairing().orElseThrow());
            case BY_DRIVER,
                DRIVER_GRAY -> by.apply(new Recipe.ProofToLab(ColourPath.tagged(told.raster()), own, Intent.RELATIVE, true, true));
            case DRIVER_GRAY_MEASURED -> byScale(judged.facts().curve(judged.row().spec()).orElseThrow().scale());
            case TWICE -> by.apply(new Recipe.ProofToLab(StandardSpaces.SRGB, own, Intent.RELATIVE, true, true));
        };
    }

    /** The driver's gray, as a wedge measured it. */
    private UnaryOperator<char[]> byScale(ToneScale scale) {
        Transform toLab = proofs.transforms().get(new Recipe.DeviceToLab(StandardSpaces.SGRAY, false));
        DoubleFunction<Lab> printed = scale.function();
        return codes -> {
            char[] lab = toLab.apply(codes);
            for (int i = 0; i < lab.length; i += 3) {
                Lab p = printed.apply(1 - LabEncoding.V4.l(lab[i]) / 100);
                lab[i] = LabEncoding.V4.ofL(p.l());
                lab[i + 1] = LabEncoding.V4.ofAb(p.a());
                lab[i + 2] = LabEncoding.V4.ofAb(p.b());
            }
            return lab;
        };
    }

    /**
     * What another pairing's media type lays down: as that one was measured on this very paper, else by its own scale from white, on this
     * paper's white.
     */
    private UnaryOperator<char[]> other(PairingVersion other, PairingVersion own) {
        IccProfile profile = profiles.get(other.profileHash());
        boolean same = other.paper().equals(own.paper());
        UnaryOperator<char[]> toLab = proofs.transforms().get(new Recipe.DeviceToLab(profile, same))::apply;
        return same ? toLab : codes -> onWhite(toLab.apply(codes), own.white().toArray());
    }

    private static char[] onWhite(char[] lab, double[] whiteLab) {
        double[] white = new double[3];
        D50.labToXyz(whiteLab, white);
        double[] scale = {white[0] / D50.X, white[1] / D50.Y, white[2] / D50.Z};
        double[] colour = new double[3];
        char[] out = new char[lab.length];
        for (int i = 0; i < lab.length; i += 3) {
            D50.labToXyz(LabEncoding.V4.lab(lab, i).toArray(), colour);
            for (int c = 0; c < 3; c++) {
                colour[c] *= scale[c];
            }
            D50.xyzToLab(colour, colour);
            out[i] = LabEncoding.V4.ofL(colour[0]);
            out[i + 1] = LabEncoding.V4.ofAb(colour[1]);
            out[i + 2] = LabEncoding.V4.ofAb(colour[2]);
        }
        return out;
    }
}
