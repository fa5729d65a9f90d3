package wistel.server.profiling;

import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import wistel.core.cgats.Cgats;
import wistel.core.cgats.Patch;
import wistel.core.fault.Conflict;
import wistel.core.fault.WistelException;
import wistel.core.icc.inspection.ProfileInspection;
import wistel.core.icc.making.ProfileChoices;
import wistel.core.icc.making.ProfileMaker;
import wistel.core.icc.making.Quality;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.profile.ProfileWriter;
import wistel.core.pairing.PairingVersion;
import wistel.core.progress.Progress;
import wistel.server.edge.Events;
import wistel.server.pairing.PairingRepository;
import wistel.server.profiling.ProfilingRepository.Made;
import wistel.server.profiling.ProfilingRepository.Reading;
import wistel.server.profiling.ProfilingRepository.Row;
import wistel.server.profiling.ProfilingRepository.Source;
import wistel.server.store.ProfileRepository;

/** Profiles from charts that were read: made behind the request, judged, kept as a pairing, written as files. */
@Service
public class ProfileMakingService {
    private static final Logger LOG = LoggerFactory.getLogger(ProfileMakingService.class);

    private final Map<UUID, Run> running = new ConcurrentHashMap<>();
    /** One at a time: each takes all processors. */
    private final ExecutorService makers = Executors.newSingleThreadExecutor(task -> {
        Thread thread = new Thread(task, "profiles");
        thread.setDaemon(true);
        return thread;
    });

    private final ProfilingRepository profilings;
    private final ProfilingService charts;
    private final PairingRepository pairings;
    private final ProfileRepository profiles;
    private final Events events;
    private final Clock clock;
    private final TransactionTemplate transaction;

    ProfileMakingService(ProfilingRepository profilings, ProfilingService charts, PairingRepository pairings, ProfileRepository profiles,
        Events events, Clock clock, TransactionTemplate transaction) {
        this.profilings = profilings;
        this.charts = charts;
        this.pairings = pairings;
        this.profiles = profiles;
        this.events = events;
        this.clock = clock;
        this.transaction = transaction;
    }

    /**
     * How far the making of a profile is.
     *
     * @param share   0 to 1
     * @param failure why it can't be made; then it has ended
     */
    record Progressed(double share, Optional<WistelException> failure) {
    }

    /** Empty where none was begun, or it ended well. */
    Optional<Progressed> progressed(UUID id) {
        return Optional.ofNullable(running.get(id)).map(run -> new Progressed(run.share, run.failure));
    }

    private static final class Run {
        private volatile double share;
        private volatile boolean cancelled;
        private volatile Optional<WistelException> failure = Optional.empty();
    }

    /** Begins to make the profile from all that was read and isn't left out; {@link #progressed} tells how far it is. */
    void make(UUID id, ProfileChoices choices) {
        Row r = profilings.get(id);
        if (profilings.readings(id).stream().map(Reading::page).distinct().count() < charts.pages(r).size()) {
            throw new Conflict(Conflict.Reason.STOPPED, "Not every page of the chart is read yet.", "Read the others first.");
        }
        if (r.kept().isPresent()) {
            throw new Conflict(Conflict.Reason.STOPPED, "This profile is kept already.", "Look at the paper's page.");
        }
        profilings.choose(id, choices);
        Run run = new Run();
        Optional.ofNullable(running.put(id, run)).ifPresent(before -> before.cancelled = true);
        makers.execute(() -> work(id, choices, run));
    }

    private void work(UUID id, ProfileChoices choices, Run run) {
        try {
            Row r = profilings.get(id);
            List<Reading> readings = profilings.readings(id);
            ProfileMaker.Made made = made(r, readings, new ProfileMaker.Wanted(called(r), ProfileWriter.Version.V4, choices,
                Optional.of(LocalDate.now(clock))), share -> {
                    run.share = share;
                    if (run.cancelled) {
                        throw new CancellationException();
                    }
                });
            IccProfile profile = ProfileReader.read(made.profile());
            profiles.add(profile);
            Optional<Quality> inUse = r.ofPairing().map(of -> profiles.get(pairings.get(of.toString()).profileHash()))
                .flatMap(used -> ProfileMaker.quality(used, chart(r, readings)));
            transaction.executeWithoutResult(t -> {
                Row now = profilings.locked(id);
                if (!run.cancelled && now.leftOut().equals(r.leftOut()) && profilings.readings(id).equals(readings)) {
                    profilings.made(id, Optional.of(new Made(profile.hash(), made.quality(), inUse)));
                }
            });
            running.remove(id, run);
        } catch (CancellationException e) {
            running.remove(id, run);
        } catch (WistelException e) {
            run.failure = Optional.of(e);
        } catch (Throwable e) {
            LOG.error("a profile could not be made", e);
            run.failure = Optional.of(new Conflict(Conflict.Reason.STOPPED, "The profile could not be made.", "Try it again."));
        } finally {
            events.publish("profiling", id.toString());
        }
    }

    private String called(Row r) {
        PairingVersion pairing = pairings.get(r.pairingId().toString());
        return pairing.paper() + " on " + pairing.printerName();
    }

    private ProfileMaker.Made made(Row r, List<Reading> readings, ProfileMaker.Wanted wanted, Progress progress) {
        return ProfileMaker.make(wanted, chart(r, readings), progress);
    }

    /** All that is measured and not left out, as a chart; with what the earlier profile was made from, where it adds to one. */
    private Cgats chart(Row r, List<Reading> readings) {
        List<Patch> patches = new ArrayList<>();
        if (r.source() instanceof Source.Brought b && b.base().isPresent()) {
            patches.addAll(charts.chartOf(b.base().get()));
        }
        boolean gray = r.chart().gray();
        charts.measured(r, readings).stream().map(ProfilingService.Measured::patch).filter(p -> !r.leftOut().contains(p.id()))
            .forEach(p -> patches.add(gray ? new Patch(p.id(), new double[] {p.device()[0]}, p.lab(), p.spectrum()) : p));
        return Cgats.of(gray ? Cgats.Device.GRAY : Cgats.Device.RGB, "Wistel", "Chart of " + patches.size() + " patches on " + called(r),
            patches);
    }

    /** All that was measured, for other software and for keeping. */
    String measuredText(UUID id) {
        return chart(profilings.get(id), profilings.readings(id)).text();
    }

    /** What was made, as a file of either version of the standard. */
    byte[] file(UUID id, ProfileWriter.Version version) {
        Row r = profilings.get(id);
        Made made = r.made().orElseThrow(ProfileMakingService::notMade);
        IccProfile profile = profiles.get(made.profileHash());
        return version == ProfileWriter.Version.V4 ? profile.bytes()
            : made(r, profilings.readings(id), new ProfileMaker.Wanted(called(r), version, r.choices(),
                Optional.of(LocalDate.now(clock))), Progress.SILENT).profile();
    }

    private static Conflict notMade() {
        return new Conflict(Conflict.Reason.STOPPED, "No profile is made yet.", "Make it from what was read.");
    }

    /** Stops making it; what was made before stays. */
    void cancel(UUID id) {
        Optional.ofNullable(running.remove(id)).ifPresent(run -> run.cancelled = true);
        events.publish("profiling", id.toString());
    }

    @PreDestroy
    void stop() {
        running.values().forEach(run -> run.cancelled = true);
        makers.shutdownNow();
    }

    /** Keeps what was made: as the paper's pairing, or as the next version of the one that it was made for. */
    PairingVersion keep(UUID id) {
        PairingVersion kept = transaction.execute(t -> {
            Row r = profilings.locked(id);
            Made made = r.made().orElseThrow(ProfileMakingService::notMade);
            if (r.kept().isPresent()) {
                throw new Conflict(Conflict.Reason.STOPPED, "This profile is kept already.", "Look at the paper's page.");
            }
            PairingVersion chart = pairings.get(r.pairingId().toString());
            ProfileInspection inspection = ProfileInspection.of(profiles.get(made.profileHash()));
            PairingVersion found = new PairingVersion(r.ofPairing().orElse(r.pairingId()).toString(), 1, chart.printerId(),
                chart.printerName(), chart.paper(), chart.surface(), chart.body(), chart.settings(), made.profileHash(), chart.intent(),
                inspection.white(), inspection.blackL().get(Intent.RELATIVE))
                .withInks(chart.inks());
            PairingVersion next = pairings.add(r.ofPairing().map(of -> found.following(pairings.get(of.toString()))).orElse(found));
            if (r.ofPairing().isEmpty()) {
                pairings.retire(r.pairingId(), false);
            }
            profilings.kept(id, clock.instant());
            return next;
        });
        events.publish("pairing", kept.pairingId());
        events.publish("profiling", id.toString());
        return kept;
    }
}
