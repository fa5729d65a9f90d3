package wistel.server.demo;

import java.io.IOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.Optional;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import wistel.core.fault.WistelException;
import wistel.core.icc.inspection.ProfileInspection;
import wistel.core.icc.profile.Intent;
import wistel.core.pairing.PairingVersion;
import wistel.core.printer.DriverSettings;
import wistel.server.check.PaperCheckService;
import wistel.server.demo.DemoPlan.ChecksPlan;
import wistel.server.demo.DemoPlan.FetchedPlan;
import wistel.server.demo.DemoPlan.MadePlan;
import wistel.server.demo.DemoPlan.PapersPlan;
import wistel.server.demo.DemoPlan.ReadingPlan;
import wistel.server.edge.Shutdown;
import wistel.server.library.LibraryService;
import wistel.server.pairing.PairingRepository;
import wistel.server.printer.Printer;
import wistel.server.printer.PrinterRepository;
import wistel.server.profiling.ProfilingAtOnce;
import wistel.server.profiling.ProfilingService;

/** The demo's papers in depth: fetched from a maker, made in the house, checked over months. */
@Component
class DemoPapers {
    private static final Logger LOG = LoggerFactory.getLogger(DemoPapers.class);

    private final Path folder;
    private final LibraryService libraries;
    private final ProfilingAtOnce profiling;
    private final PaperCheckService checks;
    private final PairingRepository pairings;
    private final PrinterRepository printers;
    private final DemoRepository entries;
    private final Shutdown shutdown;

    DemoPapers(@Value("${wistel.demo}") String folder, LibraryService libraries, ProfilingAtOnce profiling, PaperCheckService checks,
        PairingRepository pairings, PrinterRepository printers, DemoRepository entries, Shutdown shutdown) {
        this.folder = Path.of(folder);
        this.libraries = libraries;
        this.profiling = profiling;
        this.checks = checks;
        this.pairings = pairings;
        this.printers = printers;
        this.entries = entries;
        this.shutdown = shutdown;
    }

    private interface Step {
        void run() throws IOException, InterruptedException;
    }

    /** What takes no time. */
    void libraries(PapersPlan plan) {
        for (String key : plan.libraries()) {
            once("library:" + key, () -> libraries.known(address(key), true));
        }
    }

    void lay(PapersPlan plan) {
        for (ChecksPlan p : plan.checks()) {
            once("checks:" + p.printer() + ":" + p.paper(), () -> check(p));
        }
        for (FetchedPlan p : plan.fetched()) {
            once("fetched:" + p.printer() + ":" + p.paper(), () -> fetch(p));
        }
        for (MadePlan p : plan.made()) {
            once("made:" + p.printer() + ":" + p.paper(), () -> make(p));
        }
    }

    /** What fails is told in the log, and the rest goes on. */
    private void once(String key, Step step) {
        if (shutdown.underWay() || entries.has(key)) {
            return;
        }
        try {
            step.run();
            if (!shutdown.underWay()) {
                entries.add(key, Optional.empty());
            }
        } catch (WistelException | IOException | DataAccessException e) {
            LOG.warn("the demo goes on without {}: {}", key, e.getMessage());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** The print room's libraries lie beside its printers. */
    private String address(String maker) {
        URI printer = URI.create(printers.all().get(0).uri());
        return "http://" + printer.getHost() + ":" + printer.getPort() + "/library/" + maker + "/feed.json";
    }

    private void check(ChecksPlan plan) throws IOException {
        Optional<PairingVersion> pairing = pairings.all().stream()
            .filter(p -> p.paper().equals(plan.paper()) && p.printerName().equals(plan.printer())).findFirst();
        if (pairing.isPresent()) {
            for (ReadingPlan r : plan.readings()) {
                checks.printedElsewhere(UUID.fromString(pairing.get().pairingId()), plan.patches(),
                    Files.readString(folder.resolve(r.file())),
                    ZonedDateTime.now(ZoneId.systemDefault()).minusMonths(r.monthsAgo()).toInstant());
            }
        }
    }

    private Optional<Printer> printer(String name) {
        return printers.all().stream().filter(p -> p.name().equals(name)).findFirst();
    }

    private void fetch(FetchedPlan plan) throws IOException {
        Optional<Printer> printer = printer(plan.printer());
        Optional<LibraryService.Found> found = libraries.fetchNamed(libraries.known(address(plan.library()), true), plan.paper(),
            plan.printer());
        if (printer.isEmpty() || found.isEmpty()) {
            return;
        }
        LibraryService.Found f = found.get();
        ProfileInspection inspection = f.profile().inspection();
        pairings.add(new PairingVersion(UUID.randomUUID().toString(), 1, printer.get().id().toString(), plan.printer(), f.paper().title(),
            f.paper().surface(), f.paper().body(), DriverSettings.of(f.of().mediaType(), f.of().feed(), f.of().quality()),
            f.profile().hash(), f.of().intent(), inspection.white(), inspection.blackL().get(Intent.RELATIVE)));
    }

    private void make(MadePlan plan) throws InterruptedException {
        Optional<Printer> printer = printer(plan.printer());
        if (printer.isPresent()) {
            profiling.make(new ProfilingService.Wanted(printer.get().id(), plan.paper(), plan.surface(), plan.body(),
                new DriverSettings(plan.settings()), plan.intent(), ""),
                new ProfilingService.Asked(Optional.of(plan.size()), Optional.empty()),
                shutdown::underWay);
        }
    }
}
