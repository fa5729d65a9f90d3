package wistel.server.proof;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.annotation.PreDestroy;
import java.awt.image.BufferedImage;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Function;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.gamut.GamutCheck;
import wistel.core.icc.gamut.PictureColours;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.BlackPoint;
import wistel.core.icc.transform.Observer;
import wistel.core.icc.transform.ProofView;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCache;
import wistel.core.light.LabTable;
import wistel.core.pairing.PairingVersion;
import wistel.core.pictures.View;
import wistel.core.printer.ColourRoute;
import wistel.core.rendition.PairingComparison;
import wistel.core.rendition.PicturePlaces;
import wistel.core.rendition.RenditionChange;
import wistel.core.rendition.RenditionCompiler;
import wistel.core.rendition.ShadowSteps;
import wistel.core.sheet.Placed;
import wistel.server.display.Display;
import wistel.server.master.PreviewStore;
import wistel.server.pairing.PairingRepository;
import wistel.server.store.ProfileRepository;

/** The viewing booth: master, proof and scan as pictures for a display, and the numbers beside them. */
@Service
public class ProofService {
    private static final IccProfile DISPLAY = StandardSpaces.SRGB;
    private static final int FIGURES_SIDE = 320;
    private static final int SHADOWS_SIDE = 640;
    private static final int MOST_COLOURS = 700;
    private static final long QUIET_NANOS = 300_000_000;
    private static final int MOST_WAITS = 100;
    private static final Logger LOG = LoggerFactory.getLogger(ProofService.class);

    private static final RenditionCompiler.ConversionOptions UNSCALED = new RenditionCompiler.ConversionOptions(Intent.RELATIVE, false);

    private final PreviewStore previews;
    private final ProfileRepository profiles;
    private final PairingRepository pairings;
    private final TransformCache transforms = new TransformCache(240L << 20);
    private final PicturePixels pictures;
    private volatile long lastAsked = System.nanoTime() - QUIET_NANOS;
    private final Executor behind = backgroundExecutor();
    /** Of source and paper. Each holds a table of about 6 MB. */
    private final ExecutorService warming = Executors.newSingleThreadExecutor(task -> {
        Thread thread = new Thread(task, "booth-warming");
        thread.setDaemon(true);
        thread.setPriority(Thread.MIN_PRIORITY);
        return thread;
    });
    private final Cache<List<IccProfile>, GamutCheck> gamuts = Caffeine.newBuilder().executor(Runnable::run).maximumSize(8).build();

    public ProofService(PreviewStore previews, ProfileRepository profiles, PairingRepository pairings) {
        this.pairings = pairings;
        this.previews = previews;
        this.pictures = new PicturePixels(previews, transforms);
        this.profiles = profiles;
    }

    /** How a proof is made and looked at. */
    public record ProofOptions(Intent intent, boolean blackPoint, ProofView view, Display display) {
        private RenditionCompiler.ConversionOptions onward() {
            return new RenditionCompiler.ConversionOptions(intent, blackPoint);
        }
    }

    /** Makes the transforms of what lies on the bench before somebody waits for them, and stands back while somebody does. */
    @EventListener(ApplicationReadyEvent.class)
    void warm() {
        behind.execute(() -> {
            List<PairingVersion> known = pairings.all();
            for (IccProfile source : List.of(RenditionCompiler.WORKING, DISPLAY)) {
                known.forEach(p -> behind.execute(() -> transforms
                    .get(new Recipe.Proof(source, profiles.get(p.profileHash()), p.intent(), true, ProofView.PAPER_WHITE, DISPLAY))));
            }
            known.forEach(p -> behind.execute(() -> gamutCheck(DISPLAY, profiles.get(p.profileHash()))));
        });
    }

    private Executor backgroundExecutor() {
        return task -> warming.execute(() -> {
            try {
                for (int i = 0; i < MOST_WAITS && System.nanoTime() - lastAsked < QUIET_NANOS; i++) {
                    Thread.sleep(QUIET_NANOS / 1_000_000);
                }
                task.run();
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            } catch (RuntimeException | Error e) {
                // whoever needs it makes it, and is told then
                LOG.warn("nothing was made ahead: {}", e.toString());
            }
        });
    }

    @PreDestroy
    void stop() {
        warming.shutdownNow();
    }

    /** Codes for somebody who waits for a picture. */
    private char[] soon(RenditionView seen, View view, PicturePlaces places, RenditionCompiler.ConversionOptions onward,
        Function<IccProfile, Recipe> recipe) {
        lastAsked = System.nanoTime();
        Function<Recipe, Transform> compile = r -> transforms.getOrApproximate(r, behind);
        return pictures.ledOn(seen, view, places, onward, recipe, compile);
    }

    private Transform through(RenditionView seen, RenditionCompiler.ConversionOptions onward, Function<IccProfile, Recipe> recipe) {
        return RenditionCompiler.through(previews.profile(seen.master()), seen.change(), onward, recipe, transforms::get);
    }

    /** A view of the master on the display, with no paper in mind. */
    public byte[] master(RenditionView seen, Display display, View view) {
        return master(seen, display, view, seen.places(view));
    }

    /** @param places where the view's pixels lie in the picture */
    byte[] master(RenditionView seen, Display display, View view, PicturePlaces places) {
        return Png.of(view.width(), view.height(),
            soon(seen, view, places, new RenditionCompiler.ConversionOptions(Intent.RELATIVE, true), from -> onDisplay(from, display)),
            display);
    }

    private static Recipe onDisplay(IccProfile from, Display display) {
        return new Recipe.Convert(from, display.profile(), Intent.RELATIVE, true, Observer.ADAPTED);
    }

    public byte[] proof(RenditionView seen, PairingVersion pairing, ProofOptions how, int longest) {
        return proof(seen, profiles.get(pairing.profileHash()), how, longest);
    }

    /** The print as a light shows it, by a table of what becomes of absolute colours in it. */
    byte[] inLight(RenditionView seen, PairingVersion pairing, ColourRoute.ByWistel route, LabTable table, Display display, int longest) {
        View view = previews.view(seen.master(), longest);
        RenditionCompiler.ConversionOptions onward = onward(route);
        char[] lab = soon(seen, view, seen.places(view), onward, toLab(profiles.get(pairing.profileHash()), onward, true));
        table.apply(lab);
        return Png.of(view.width(), view.height(), transforms.get(new Recipe.FromLab(display.profile(), Intent.RELATIVE)).apply(lab),
            display);
    }

    /** L*a*b* that an instrument would read on a small print of all of it. */
    char[] printed(RenditionView seen, PairingVersion pairing, ColourRoute.ByWistel route, int longest) {
        RenditionCompiler.ConversionOptions onward = onward(route);
        return pictures.apply(pictures.pixels(pictures.counted(seen, longest), onward), onward,
            toLab(profiles.get(pairing.profileHash()), onward, true));
    }

    /** @param printer a profile that need not belong to a pairing */
    byte[] proof(RenditionView seen, IccProfile printer, ProofOptions how, int longest) {
        View view = previews.view(seen.master(), longest);
        char[] proof = soon(seen, view, seen.places(view), how.onward(),
            from -> new Recipe.Proof(from, printer, how.intent, how.blackPoint, how.view, how.display.profile()));
        return Png.of(view.width(), view.height(), proof, how.display);
    }

    /**
     * What this paper can't hold, drawn as patterns over the picture: falling strokes where too dark, rising ones where too light, dots
     * where too vivid, level strokes where the paper adds chroma, upright ones where the hue turns; denser the farther off.
     */
    public byte[] gamut(RenditionView seen, PairingVersion pairing, int longest) {
        View view = previews.view(seen.master(), longest);
        float[] distance = new float[view.width() * view.height()];
        byte[] causes = gamutCheck(seen, pairing).map(asked(seen, view, seen.places(view)), distance);
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
                    case GAINS_CHROMA -> y % period < 2;
                    case SHIFTS_HUE -> x % period < 2;
                };
                if (mark) {
                    image.setRGB(x, y, kinds[causes[at]] == GamutCheck.Cause.TOO_DARK ? 0xD0FFFFFF : 0xD0000000);
                }
            }
        }
        return Png.ofMarks(image);
    }

    /** The picture's colours, and which of them this paper can't hold. */
    public PictureColours colours(RenditionView seen, PairingVersion pairing) {
        PicturePixels.Pixels moved = pictures.pixels(pictures.counted(seen, FIGURES_SIDE), UNSCALED);
        char[] lab = pictures.apply(moved, UNSCALED, from -> new Recipe.DeviceToLab(from, false));
        return PictureColours.of(lab, gamutCheck(seen, pairing).map(asked(moved), new float[0]), MOST_COLOURS);
    }

    private GamutCheck gamutCheck(RenditionView seen, PairingVersion pairing) {
        IccProfile paper = profiles.get(pairing.profileHash());
        return gamutCheck(seen.change().changesNothing() ? previews.profile(seen.master()) : RenditionCompiler.WORKING, paper);
    }

    /**
     * A picture's codes as the gamut check of {@link #gamutCheck(RenditionView, PairingVersion)} takes them: the master's own, or those of WORKING.
     */
    private char[] asked(RenditionView seen, View view, PicturePlaces places) {
        return asked(pictures.pixels(seen, view, places, UNSCALED, transforms::get));
    }

    private char[] asked(PicturePixels.Pixels p) {
        return p.rest().changesNothing() ? p.view().pixels()
            : transforms.get(RenditionCompiler.recipe(p.source(), p.rest(), Intent.RELATIVE, false)).apply(p.view().pixels());
    }

    private GamutCheck gamutCheck(IccProfile source, IccProfile paper) {
        return gamuts.get(List.of(source, paper), k -> new GamutCheck(source, paper));
    }

    /** @param wanted L*a*b* codes before compensation */
    private Figures.Screen screen(PicturePixels.Counted counted, char[] wanted, PairingVersion pairing,
        RenditionCompiler.ConversionOptions onward, IccProfile display) {
        PicturePixels.Pixels moved = pictures.pixels(counted, onward);
        IccProfile paper = profiles.get(pairing.profileHash());
        Transform read = transforms.get(new Recipe.DeviceToLab(display, true));
        Transform master = through(counted.seen().uncompensated(), UNSCALED,
            from -> new Recipe.Convert(from, display, Intent.RELATIVE, false, Observer.ADAPTED));
        char[] proof = pictures.apply(moved, onward,
            from -> new Recipe.Proof(from, paper, onward.intent(), onward.blackPoint(), ProofView.PAPER_WHITE, display));
        return new Figures.Screen(apart(wanted, read.apply(master.apply(counted.view().pixels()))),
            apart(pictures.apply(moved, onward, toLab(paper, onward, true)), read.apply(proof)));
    }

    /** Share of colours that differ by more than the threshold. */
    private static double apart(char[] a, char[] b) {
        return differences(a, b).filter(d -> d > GamutCheck.THRESHOLD).count() / Math.max(1, a.length / 3.0);
    }

    public Figures figures(RenditionView seen, PairingVersion pairing, RenditionCompiler.ConversionOptions route, IccProfile display) {
        PicturePixels.Counted counted = pictures.counted(seen, FIGURES_SIDE);
        char[] wanted = treated(seen.uncompensated()).apply(counted.view().pixels());
        Map<Intent, Double> means = new EnumMap<>(Intent.class);
        for (Intent intent : Intent.values()) {
            RenditionCompiler.ConversionOptions by = new RenditionCompiler.ConversionOptions(intent, route.blackPoint());
            means.put(intent, meanDifference(wanted, onPaper(pictures.pixels(counted, by), pairing, by)));
        }
        return new Figures(means, gamutCheck(seen, pairing).report(asked(pictures.pixels(counted, UNSCALED))),
            GamutCheck.THRESHOLD,
            screen(counted, wanted, pairing, route, display),
            pairing.white().l(),
            pairing.blackL(),
            List.copyOf(BlackPoint.always(profiles.get(pairing.profileHash()))));
    }

    /**
     * On each pairing with its usual intent, black scaled; the best first. One after the other: a thread of the common pool that waits for
     * a transform which another thread compiles keeps that compilation from its own parts, on a machine of two processors for ever. Each is
     * parallel in itself.
     */
    public List<PairingComparison> compared(RenditionView seen, List<PairingVersion> on) {
        PicturePixels.Counted counted = pictures.counted(seen, FIGURES_SIDE);
        char[] wanted = treated(seen.uncompensated()).apply(counted.view().pixels());
        char[] asked = asked(pictures.pixels(counted, UNSCALED));
        return PairingComparison.ranked(on.stream().map(pairing -> PairingComparison.of(pairing,
            meanDifference(wanted, onPaper(pictures.pixels(counted, usual(pairing)), pairing, usual(pairing))),
            gamutCheck(seen, pairing).report(asked))).toList());
    }

    private static RenditionCompiler.ConversionOptions usual(PairingVersion pairing) {
        return new RenditionCompiler.ConversionOptions(pairing.intent(), true);
    }

    private char[] onPaper(PicturePixels.Pixels pixels, PairingVersion pairing, RenditionCompiler.ConversionOptions onward) {
        return pictures.apply(pixels, onward, toLab(profiles.get(pairing.profileHash()), onward, false));
    }

    static RenditionCompiler.ConversionOptions onward(ColourRoute.ByWistel route) {
        return new RenditionCompiler.ConversionOptions(route.intent(), route.blackPoint());
    }

    /** To L*a*b*, relative to white, with no paper in mind. */
    Transform treated(RenditionView seen) {
        return through(seen, UNSCALED, from -> new Recipe.DeviceToLab(from, false));
    }

    /** The same of what figures are taken from, its local moves done. */
    char[] treated(PicturePixels.Counted counted) {
        return treated(pictures.pixels(counted, UNSCALED));
    }

    private char[] treated(PicturePixels.Pixels pixels) {
        return pictures.apply(pixels, UNSCALED, from -> new Recipe.DeviceToLab(from, false));
    }

    /** L*a*b* of a print of a view of all of the picture, relative to its paper. */
    char[] print(RenditionView seen, PairingVersion pairing, ColourRoute.ByWistel route, View view) {
        return onPaper(pictures.pixels(seen, view, onward(route)), pairing, onward(route));
    }

    /** The ten tones of {@link ShadowSteps}, treated, as L*a*b* codes. */
    char[] shadowSteps(RenditionView seen) {
        return ShadowSteps.of(treated(seen.uncompensated()).apply(previews.view(seen.master(), SHADOWS_SIDE).pixels()));
    }

    /** What treated tones become with all moves, through a recipe from WORKING. */
    char[] tonesOnward(RenditionView seen, ColourRoute.ByWistel route, char[] tones, Function<IccProfile, Recipe> recipe) {
        char[] working = transforms.get(new Recipe.FromLab(RenditionCompiler.WORKING, Intent.RELATIVE)).apply(tones);
        // the tones are those of the treated picture, so only the moves are still to come
        return onward(seen.inColour(), RenditionCompiler.WORKING, route, recipe).apply(working);
    }

    /** L*a*b* of treated tones in print. */
    char[] printedTones(RenditionView seen, PairingVersion pairing, ColourRoute.ByWistel route, char[] tones, boolean absolute) {
        return tonesOnward(seen, route, tones, toLab(profiles.get(pairing.profileHash()), onward(route), absolute));
    }

    /** From another source's codes than the master's. */
    Transform onward(RenditionView seen, IccProfile source, ColourRoute.ByWistel route, Function<IccProfile, Recipe> recipe) {
        return converted(source, seen.change(), route, recipe);
    }

    /** From a source's codes by a change and a recipe. */
    Transform converted(IccProfile source, RenditionChange change, ColourRoute.ByWistel route, Function<IccProfile, Recipe> recipe) {
        return RenditionCompiler.through(source, change, onward(route), recipe, transforms::get);
    }

    /** Share of the printed part's colours that a space can't hold. */
    public double lost(RenditionView seen, IccProfile space) {
        PicturePixels.Pixels pixels = pictures.pixels(pictures.counted(seen, FIGURES_SIDE), UNSCALED);
        char[] there = pictures.apply(pixels, UNSCALED, from -> new Recipe.Convert(from, space, Intent.RELATIVE, false, Observer.ADAPTED));
        return apart(treated(pixels),
            transforms.get(new Recipe.DeviceToLab(space, false)).apply(there));
    }

    PicturePixels pictures() {
        return pictures;
    }

    public TransformCache transforms() {
        return transforms;
    }

    private static Function<IccProfile, Recipe> toLab(IccProfile paper, RenditionCompiler.ConversionOptions onward, boolean absolute) {
        return from -> new Recipe.ProofToLab(from, paper, onward.intent(), onward.blackPoint(), absolute);
    }

    /** L*a*b* that an instrument would read on paper of a placed picture, so large. */
    char[] measured(RenditionView seen, PairingVersion pairing, RenditionCompiler.ConversionOptions onward, Placed placed, View view) {
        PicturePlaces.Part part = new PicturePlaces.Part(seen.master().width(), seen.master().height(), placed.crop(), placed.straighten());
        return pictures
            .apply(pictures.pixels(seen, view, PicturePlaces.part(part, view.width(), view.height(), seen.part(placed).framed()), onward,
                transforms::get), onward, toLab(profiles.get(pairing.profileHash()), onward, true));
    }

    static double meanDifference(char[] a, char[] b) {
        return differences(a, b).average().orElse(0);
    }

    private static DoubleStream differences(char[] a, char[] b) {
        return IntStream.range(0, a.length / 3).mapToDouble(i -> LabEncoding.V4.lab(a, 3 * i).deltaE2000(LabEncoding.V4.lab(b, 3 * i)));
    }

    /**
     * One spot read on both sides.
     *
     * @param master   with the print, against their own white: what {@code difference} is between
     * @param measured what an instrument would read on the paper
     */
    public record Probe(Lab master, Lab print, Lab measured, double difference, GamutCheck.Cause cause) {
    }

    /** @param x, y place in the picture, 0 to 1 */
    public Probe probe(RenditionView seen, PairingVersion pairing, RenditionCompiler.ConversionOptions onward, double x, double y) {
        View view = previews.view(seen.master(), PreviewStore.LARGEST);
        int px = (int) Math.max(0, Math.min(view.width() - 1, x * view.width()));
        int py = (int) Math.max(0, Math.min(view.height() - 1, y * view.height()));
        View pixel = new View(1, 1, view.channels(), view.pixel(px, py));
        PicturePlaces place = seen.places(view).from(px, py);
        IccProfile paper = profiles.get(pairing.profileHash());
        PicturePixels.Pixels moved = pictures.pixels(seen, pixel, place, onward, transforms::get);
        Lab wanted = LabEncoding.V4.lab(treated(seen.uncompensated()).apply(pixel.pixels()), 0);
        Lab got = LabEncoding.V4.lab(pictures.apply(moved, onward, toLab(paper, onward, false)), 0);
        Lab measured = LabEncoding.V4.lab(pictures.apply(moved, onward, toLab(paper, onward, true)), 0);
        GamutCheck.Cause cause = GamutCheck.Cause.values()[gamutCheck(seen, pairing).map(asked(seen, pixel, place), new float[0])[0]];
        return new Probe(wanted, got, measured, wanted.deltaE2000(got), cause);
    }
}
