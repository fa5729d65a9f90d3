package wistel.server.proof;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.InputStream;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import wistel.core.colour.CieDe2000;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;
import wistel.core.docket.PrintOrder;
import wistel.core.fault.NotFound;
import wistel.core.icc.gamut.GamutBoundary;
import wistel.core.icc.gamut.GamutCheck;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.BlackPoint;
import wistel.core.icc.transform.Observer;
import wistel.core.icc.transform.ProofView;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCache;
import wistel.core.paper.PairingVersion;
import wistel.core.pictures.Crop;
import wistel.core.pictures.LabScan;
import wistel.core.pictures.LightCurve;
import wistel.core.pictures.View;
import wistel.core.printer.ColourRoute;
import wistel.core.rendition.RenditionChange;
import wistel.core.rendition.RenditionCompiler;
import wistel.core.rendition.Treatment;
import wistel.core.sheet.Page;
import wistel.core.sheet.Placed;
import wistel.server.master.Master;
import wistel.server.master.PreviewStore;
import wistel.server.pairing.PairingRepository;
import wistel.server.store.FileStore;
import wistel.server.store.ProfileRepository;

/** The viewing booth: master, proof and scan as pictures for a display, and the numbers beside them. */
@Service
public class ProofService {
    private static final IccProfile DISPLAY = StandardSpaces.SRGB;
    private static final int FIGURES_SIDE = 320;
    private static final int LARGEST_SCAN_VIEW = 1600;
    private static final LightCurve CODES = new LightCurve(v -> v);

    private final PreviewStore previews;
    private final ProfileRepository profiles;
    private final FileStore files;
    private final PairingRepository pairings;
    private final TransformCache transforms = new TransformCache(240L << 20);
    /** Of source and paper. Each holds a table of about 6 MB. */
    private final Cache<List<IccProfile>, GamutCheck> gamuts = Caffeine.newBuilder().maximumSize(8).build();
    private final Cache<IccProfile, GamutBoundary> boundaries = Caffeine.newBuilder().maximumSize(30).build();

    public ProofService(PreviewStore previews, ProfileRepository profiles, FileStore files, PairingRepository pairings) {
        this.pairings = pairings;
        this.previews = previews;
        this.profiles = profiles;
        this.files = files;
    }

    /** How a proof is made and looked at. */
    public record How(Intent intent, boolean blackPoint, ProofView view) {
        private RenditionCompiler.Onward onward() {
            return new RenditionCompiler.Onward(intent, blackPoint);
        }
    }

    /** A master with what happens to its colours before they are converted. */
    public record Seen(Master master, RenditionChange change) {
        /** As it came. */
        Seen untreated() {
            return new Seen(master, RenditionChange.NONE);
        }

        /** Treated, with no moves: what the print is judged against. */
        Seen uncompensated() {
            return new Seen(master, new RenditionChange(change.treatment(), List.of()));
        }

        /** The moves alone. */
        Seen inColour() {
            return new Seen(master, new RenditionChange(new Treatment.Colour(), change.moves()));
        }
    }

    /** Makes the transforms of what lies on the bench before somebody waits for them. */
    @EventListener(ApplicationReadyEvent.class)
    void warm() {
        Thread warming = new Thread(() -> pairings.all().forEach(p -> {
            IccProfile paper = profiles.get(p.profileHash());
            gamutCheck(DISPLAY, paper);
            for (IccProfile source : List.of(DISPLAY, RenditionCompiler.WORKING)) {
                transforms.get(new Recipe.Proof(source, paper, p.intent(), true, ProofView.PAPER_WHITE, DISPLAY));
            }
        }), "booth-warming");
        warming.setDaemon(true);
        warming.setPriority(Thread.MIN_PRIORITY);
        warming.start();
    }

    private Transform through(Seen seen, RenditionCompiler.Onward onward, Function<IccProfile, Recipe> recipe) {
        return RenditionCompiler.through(previews.profile(seen.master), seen.change, onward, recipe, transforms::get);
    }

    /** On the display, with no paper in mind. */
    public byte[] master(Seen seen, int longest) {
        View view = previews.view(seen.master, longest);
        Transform toDisplay = through(seen, new RenditionCompiler.Onward(Intent.RELATIVE, true), from -> new Recipe.Convert(from, DISPLAY, Intent.RELATIVE, true, Observer.ADAPTED));
        return Png.of(view.width(), view.height(), toDisplay.apply(view.pixels()));
    }

    public byte[] proof(Seen seen, PairingVersion pairing, How how, int longest) {
        IccProfile printer = profiles.get(pairing.profileHash());
        View view = previews.view(seen.master, longest);
        Transform proof = through(seen, how.onward(), from -> new Recipe.Proof(from, printer, how.intent, how.blackPoint, how.view, DISPLAY));
        return Png.of(view.width(), view.height(), proof.apply(view.pixels()));
    }

    /**
     * What this paper can't hold, drawn as patterns over the picture: falling strokes where too dark, rising ones where too light, dots
     * where too vivid; denser the farther off.
     */
    public byte[] gamut(Seen seen, PairingVersion pairing, int longest) {
        View view = previews.view(seen.master, longest);
        float[] distance = new float[view.width() * view.height()];
        byte[] causes = gamutCheck(seen, pairing).map(asked(seen, view.pixels()), distance);
        BufferedImage image = new BufferedImage(view.width(), view.height(), BufferedImage.TYPE_INT_ARGB);
        GamutCheck.Cause[] kinds = GamutCheck.Cause.values();
        for (int y = 0; y < view.height(); y++) {
            for (int x = 0; x < view.width(); x++) {
                int at = y * view.width() + x;
                int period = distance[at] > 6 ? 4 : 8;
                boolean mark = switch (kinds[causes[at]]) {
                    case INSIDE -> false;
                    case TOO_DARK -> (x - y + 4096) % period < 2;
                    case TOO_LIGHT -> (x + y) % period < 2;
                    case TOO_VIVID -> x % period < 2 && y % period < 2;
                };
                if (mark) {
                    image.setRGB(x, y, kinds[causes[at]] == GamutCheck.Cause.TOO_DARK ? 0xD0FFFFFF : 0xD0000000);
                }
            }
        }
        return Png.ofMarks(image);
    }

    private GamutCheck gamutCheck(Seen seen, PairingVersion pairing) {
        IccProfile paper = profiles.get(pairing.profileHash());
        return gamutCheck(seen.change.changesNothing() ? previews.profile(seen.master) : RenditionCompiler.WORKING, paper);
    }

    /** A picture's codes as the gamut check of {@link #gamutCheck(Seen, PairingVersion)} takes them: the master's own, or those of WORKING. */
    private char[] asked(Seen seen, char[] pixels) {
        return seen.change.changesNothing() ? pixels
            : transforms.get(RenditionCompiler.recipe(previews.profile(seen.master), seen.change, Intent.RELATIVE, false)).apply(pixels);
    }

    private GamutCheck gamutCheck(IccProfile source, IccProfile paper) {
        return gamuts.get(List.of(source, paper), k -> new GamutCheck(source, paper));
    }

    /**
     * A gamut's boundary for plots, in L*a*b* relative to the paper.
     *
     * @param volume    cubic L*a*b* units
     * @param vertices  L*, a*, b* each
     * @param triangles places in {@code vertices}, counter-clockwise seen from outside
     */
    public record Boundary(double volume, List<double[]> vertices, List<int[]> triangles, List<Slice> slices) {
    }

    /** Closed lines of a*, b* at one L*. */
    public record Slice(double lightness, List<List<double[]>> outlines) {
    }

    /** What a pairing can hold, with slices at the lightnesses asked for. */
    public Boundary boundary(PairingVersion pairing, List<Double> lightnesses) {
        GamutBoundary found = boundaries.get(profiles.get(pairing.profileHash()), GamutBoundary::of);
        return new Boundary(found.volume(), found.vertices().stream().map(Lab::toArray).toList(), found.triangles(),
            lightnesses.stream().map(l -> new Slice(l, found.slice(l))).toList());
    }

    /**
     * @param meanDifference mean CIEDE2000 between master and proof, both relative to their white, by intent
     * @param blackAlways    intents that compensate black whether or not it is asked for, as the paper's profile is of version 4
     */
    public record Figures(Map<Intent, Double> meanDifference, GamutCheck.Report gamut, double paperL, double blackL, List<Intent> blackAlways) {
    }

    public Figures figures(Seen seen, PairingVersion pairing, boolean blackPoint, Intent... intents) {
        View view = previews.view(seen.master, FIGURES_SIDE);
        char[] wanted = treated(seen.uncompensated()).apply(view.pixels());
        Map<Intent, Double> means = new EnumMap<>(Intent.class);
        for (Intent intent : intents) {
            means.put(intent, meanDifference(wanted, proofLab(seen, pairing.profileHash(), new RenditionCompiler.Onward(intent, blackPoint), false).apply(view.pixels())));
        }
        return new Figures(means, gamutCheck(seen, pairing).report(asked(seen, view.pixels())), pairing.whiteLab()[0], pairing.blackL(),
            List.copyOf(BlackPoint.always(profiles.get(pairing.profileHash()))));
    }

    /** To L*a*b*, relative to white, with no paper in mind. */
    Transform treated(Seen seen) {
        return through(seen, new RenditionCompiler.Onward(Intent.RELATIVE, false), from -> new Recipe.DeviceToLab(from, false));
    }

    /** To L*a*b* of the print, relative to its paper. */
    Transform print(Seen seen, PairingVersion pairing, ColourRoute.ByWistel route) {
        return proofLab(seen, pairing.profileHash(), new RenditionCompiler.Onward(route.intent(), route.blackPoint()), false);
    }

    /** From another source's codes than the master's. */
    Transform onward(Seen seen, IccProfile source, ColourRoute.ByWistel route, Function<IccProfile, Recipe> recipe) {
        return RenditionCompiler.through(source, seen.change, new RenditionCompiler.Onward(route.intent(), route.blackPoint()), recipe, transforms::get);
    }

    TransformCache transforms() {
        return transforms;
    }

    private Transform proofLab(Seen seen, String profileHash, RenditionCompiler.Onward onward, boolean absolute) {
        IccProfile paper = profiles.get(profileHash);
        return through(seen, onward, from -> new Recipe.ProofToLab(from, paper, onward.intent(), onward.blackPoint(), absolute));
    }

    private static double meanDifference(char[] a, char[] b) {
        double sum = 0;
        for (int i = 0; i < a.length; i += 3) {
            Lab p = LabEncoding.V4.lab(a, i);
            Lab q = LabEncoding.V4.lab(b, i);
            sum += CieDe2000.between(p.l(), p.a(), p.b(), q.l(), q.a(), q.b());
        }
        return sum / (a.length / 3.0);
    }

    /** One spot read on both sides. */
    public record Probe(Lab master, Lab proof, double difference, GamutCheck.Cause cause) {
    }

    /** @param x, y place in the picture, 0 to 1 */
    public Probe probe(Seen seen, PairingVersion pairing, How how, double x, double y) {
        View view = previews.view(seen.master, PreviewStore.LARGEST);
        int px = (int) Math.max(0, Math.min(view.width() - 1, x * view.width()));
        int py = (int) Math.max(0, Math.min(view.height() - 1, y * view.height()));
        char[] pixel = view.pixel(px, py);
        Lab wanted = LabEncoding.V4.lab(treated(seen.uncompensated()).apply(pixel), 0);
        boolean absolute = how.view() == ProofView.PAPER_WHITE;
        Lab got = LabEncoding.V4.lab(proofLab(seen, pairing.profileHash(), how.onward(), absolute).apply(pixel), 0);
        GamutCheck.Cause cause = GamutCheck.Cause.values()[gamutCheck(seen, pairing).map(asked(seen, pixel), new float[0])[0]];
        return new Probe(wanted, got, wanted.deltaE2000(got), cause);
    }

    /** A placed picture of a page that was scanned. */
    public record Scanned(String scanHash, Page page, Placed placed) {
    }

    /** The picture's part of the scan, upright as it was placed. */
    private View scanView(Scanned scanned, int width, int height) {
        Placed placed = scanned.placed;
        LabScan scan;
        try (InputStream in = files.open(scanned.scanHash)) {
            scan = LabScan.read(in);
        } catch (IOException e) {
            throw new NotFound("The scan of this sheet is not there any more.", "Scan it again, or print it again.");
        }
        View sheet = new View(scan.width(), scan.height(), 3, scan.pixels()).oriented(scanned.page.feedTurn().inverse());
        double perMm = scan.dpi() / 25.4;
        double x = Math.max(0, placed.atMm().x() * perMm);
        double y = Math.max(0, placed.atMm().y() * perMm);
        Crop crop = new Crop(x, y, Math.min(sheet.width() - x, placed.atMm().width() * perMm), Math.min(sheet.height() - y, placed.atMm().height() * perMm));
        return sheet.scaled(crop, width, height, CODES);
    }

    public byte[] scan(Scanned scanned, int longest) {
        Placed placed = scanned.placed;
        double scale = Math.min(longest, LARGEST_SCAN_VIEW) / Math.max(placed.atMm().width(), placed.atMm().height());
        View view = scanView(scanned, (int) Math.max(1, Math.round(placed.atMm().width() * scale)), (int) Math.max(1, Math.round(placed.atMm().height() * scale)));
        Transform toDisplay = transforms.get(new Recipe.FromLab(DISPLAY, Intent.ABSOLUTE));
        return Png.of(view.width(), view.height(), toDisplay.apply(view.pixels()));
    }

    /** Mean CIEDE2000 between what the proof promised, paper white included, and what the scanner saw of the picture. */
    public double scanDifference(Seen seen, PrintOrder order, Scanned scanned) {
        Master master = seen.master;
        Placed placed = scanned.placed;
        View large = previews.view(master, 640);
        double toView = (double) large.width() / master.width();
        Crop crop = new Crop(placed.crop().x() * toView, placed.crop().y() * toView, placed.crop().width() * toView, placed.crop().height() * toView);
        int w = 160;
        int h = (int) Math.max(1, Math.round(w * placed.atMm().height() / placed.atMm().width()));
        View small = large.scaled(crop, placed.straighten(), w, h, LightCurve.GAMMA_22);
        ColourRoute.ByWistel route = order.spec().shownRoute(order.pairing());
        char[] promised = proofLab(seen, order.pairing().profileHash(), new RenditionCompiler.Onward(route.intent(), route.blackPoint()), true).apply(small.pixels());
        return meanDifference(promised, scanView(scanned, w, h).pixels());
    }
}
