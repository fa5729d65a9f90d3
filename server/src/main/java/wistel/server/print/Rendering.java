package wistel.server.print;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import java.io.IOException;
import java.time.Clock;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CancellationException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Lazy;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import wistel.core.docket.DocketSpec;
import wistel.core.docket.Preflight;
import wistel.core.docket.PreflightFacts;
import wistel.core.fault.WistelException;
import wistel.core.icc.kernel.Kernels;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.Observer;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.paper.SheetSize;
import wistel.core.picture.PictureFile;
import wistel.core.picture.Progress;
import wistel.core.render.LayoutRenderer;
import wistel.core.render.PictureLight;
import wistel.core.render.PwgRaster;
import wistel.core.render.PwgSink;
import wistel.core.sheet.Placement;
import wistel.server.docket.DocketService;
import wistel.server.edge.Events;
import wistel.server.master.Master;
import wistel.server.master.MasterRepository;
import wistel.server.master.PixelWorkers;
import wistel.server.master.PreviewStore;
import wistel.server.store.FileStore;
import wistel.server.store.ProfileRepository;

/** Makes the print file of an attempt and hands it on to the sending task. */
@Component
class Rendering {
    private static final Logger LOG = LoggerFactory.getLogger(Rendering.class);

    private final AttemptRepository attempts;
    private final MasterRepository masters;
    private final DocketService docketService;
    private final PreviewStore previews;
    private final FileStore files;
    private final ProfileRepository profiles;
    private final SchedulerClient scheduler;
    private final Events events;
    private final Clock clock;
    private final TransactionTemplate transaction;
    private final PixelWorkers workers;

    Rendering(AttemptRepository attempts, MasterRepository masters, DocketService docketService, PreviewStore previews, FileStore files, ProfileRepository profiles,
              @Lazy SchedulerClient scheduler, Events events, Clock clock, TransactionTemplate transaction, PixelWorkers workers) {
        this.workers = workers;
        this.attempts = attempts;
        this.masters = masters;
        this.docketService = docketService;
        this.previews = previews;
        this.files = files;
        this.profiles = profiles;
        this.scheduler = scheduler;
        this.events = events;
        this.clock = clock;
        this.transaction = transaction;
    }

    void render(UUID id) {
        Attempt a = attempts.get(id);
        if (a.over()) {
            return;
        }
        try {
            String hash = a.fileHash().filter(h -> java.nio.file.Files.exists(files.path(h))).orElse("");
            if (hash.isEmpty()) {
                attempts.state(id, "rendering", "", 0);
                hash = printFile(a);
            }
            String fileHash = hash;
            transaction.executeWithoutResult(t -> {
                attempts.rendered(id, fileHash);
                scheduler.scheduleIfNotExists(PrintTasks.SEND.instance(id.toString()).build(), clock.instant());
            });
        } catch (CancellationException e) {
            attempts.close(id, "cancelled", "Cancelled before anything was printed.");
        } catch (WistelException e) {
            attempts.close(id, "failed", e.getMessage() + " " + e.next());
        } catch (IOException e) {
            LOG.error("print file of attempt {} could not be written", id, e);
            attempts.close(id, "failed", "The print file could not be written: " + e.getMessage() + ". Is the disk full? Nothing was printed.");
        } finally {
            events.tell("attempt", id.toString());
        }
    }

    private String printFile(Attempt a) throws IOException {
        Master master = masters.get(a.masterId());
        DocketSpec d = a.decisions();
        PreflightFacts s = docketService.facts(d, master);
        Placement placement = Preflight.place(d, s);
        IccProfile source = previews.profile(master);
        SheetSize sheet = Preflight.sheet(d);
        boolean ours = d.machine().colourBy() == DocketSpec.ColourBy.WISTEL;
        Recipe recipe = ours
            ? new Recipe.Convert(source, profiles.get(a.profileHash()), d.proof().intent(), d.proof().blackPoint(), Observer.ADAPTED)
            : new Recipe.Convert(source, StandardSpaces.SRGB, Intent.RELATIVE, false, Observer.ADAPTED);
        PictureFile picture = PictureFile.open(files.image(master.hash()));
        int dpi = s.printer().map(p -> p.nativeDpi()).orElse(360);
        double mostPpi = d.size().pixels() == DocketSpec.Pixels.RESAMPLE ? d.size().resamplePpi() : Double.POSITIVE_INFINITY;
        LayoutRenderer.Job job = new LayoutRenderer.Job(placement.page("picture"), Map.of("picture", new LayoutRenderer.Picture(picture.rows(),
            picture.facts().orientation(), PictureLight.of(source), TransformCompiler.compile(recipe, Kernels.SCALAR))), dpi, mostPpi);
        PwgSink sink = new PwgSink(new PwgRaster.Page(job.width(), job.height(), dpi, 16, ours ? PwgRaster.Space.DEVICE3 : PwgRaster.Space.SRGB,
            PwgRaster.points(sheet.widthMm()), PwgRaster.points(sheet.heightMm()), sheet.ippName(), d.machine().mediaType(), d.machine().quality(), d.copies()));
        return files.put(out -> new LayoutRenderer(workers.executor(), files::scratch).render(job, sink, out, progress(a.id()))).hash();
    }

    private Progress progress(UUID id) {
        long[] told = {0};
        return share -> {
            long now = System.nanoTime();
            if (now - told[0] < 400_000_000L) {
                return;
            }
            told[0] = now;
            if (Thread.currentThread().isInterrupted() || attempts.get(id).cancelAsked()) {
                throw new CancellationException();
            }
            attempts.state(id, "rendering", "", (int) (100 * share));
            events.tell("attempt", id.toString());
        };
    }
}
