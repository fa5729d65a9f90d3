package wistel.server.print;

import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.helper.CustomTask;
import java.time.Clock;
import java.time.Duration;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CancellationException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import wistel.core.fault.PrinterException;
import wistel.server.edge.Events;
import wistel.server.edge.Shutdown;

/**
 * The persistent task that sees one attempt all the way once its files are made by {@link RenderTask}: it sends each page when it is its
 * turn at the printer and follows its job, one step an execution. Every step may be run again after a stop at any moment, on any server.
 */
@Component
class PrintTask {
    private static final Logger LOG = LoggerFactory.getLogger(PrintTask.class);
    static final TaskDescriptor<Void> PRINT = TaskDescriptor.of("print");
    private static final Duration LOOK_AGAIN = Duration.ofSeconds(2);
    private static final Duration LOOK_AGAIN_SOON = Duration.ofMillis(400);
    /** How soon a print sees that the one before it has left. */
    private static final Duration MY_TURN = Duration.ofMillis(800);
    static final String HELD = "held: its file is made, and it is sent when you say so";
    private static final String ASKED = " It goes on when you say so.";

    private final AttemptRepository attempts;
    private final PrintProgressRepository progress;
    private final Rendering rendering;
    private final Sending sending;
    private final Events events;
    private final Shutdown shutdown;

    PrintTask(AttemptRepository attempts, PrintProgressRepository progress, Rendering rendering, Sending sending, Events events,
        Shutdown shutdown) {
        this.attempts = attempts;
        this.progress = progress;
        this.rendering = rendering;
        this.sending = sending;
        this.events = events;
        this.shutdown = shutdown;
    }

    @Configuration
    static class Registered {
        @Bean
        CustomTask<Void> printing(PrintTask task, Clock clock) {
            return StepTask.of(PRINT, clock, id -> task.step(UUID.fromString(id)));
        }
    }

    /** @return when to come again */
    Duration step(UUID id) {
        Attempt before = attempts.get(id);
        if (before.over()) {
            return StepTask.OVER;
        }
        if (waitsForItsFile(before)) {
            return LOOK_AGAIN_SOON;
        }
        PrintProgressRepository.Lease lease = progress.lease(id);
        try {
            return step(before, lease);
        } catch (PrintProgressRepository.LeaseLost e) {
            LOG.info("{}", e.getMessage());
            return StepTask.AFTER_FAULT;
        } catch (DataAccessException e) {
            // the database is away: nothing can be recorded, so the step is run again
            throw e;
        } catch (Throwable e) {
            return ended(before, lease, e);
        } finally {
            Attempt after = attempts.get(id);
            if (!after.equals(before)) {
                events.publish("attempt", id.toString());
            }
        }
    }

    /** Its next page is being made, or will be: nothing to send, follow or close. */
    private boolean waitsForItsFile(Attempt a) {
        return a.pageOnItsWay().isEmpty() && !a.cancelAsked() && !a.spoilt() && a.openPage().filter(p -> !rendering.hasFile(p)).isPresent();
    }

    private Duration step(Attempt a, PrintProgressRepository.Lease lease) throws Exception {
        Optional<AttemptPage> onItsWay = a.pageOnItsWay();
        if (onItsWay.isPresent()) {
            return sending.step(a, onItsWay.get(), lease);
        }
        Optional<AttemptPage> open = a.openPage();
        if (open.isEmpty() || a.spoilt()) {
            close(a, lease);
            return StepTask.OVER;
        }
        AttemptPage page = open.get();
        if (a.cancelAsked()) {
            throw new CancellationException();
        }
        // a page that was made anew after the attempt was read, and before its pages were, tells by itself that it is held
        boolean held = a.held() || page.anew().filter(anew -> anew.beyond(a.agreed())).isPresent();
        if (held && (!a.labFile() || page.anew().isPresent())) {
            waits(a, page, lease, page.anew().map(anew -> anew.words() + ASKED).orElse(HELD));
            return LOOK_AGAIN;
        }
        if (a.labFile()) {
            progress.closePage(lease, page.page(), AttemptState.DONE, page.anew().map(MadeAnew::words).orElse(""));
            return StepTask.NOW;
        }
        int before = attempts.before(a.id());
        if (before > 0) {
            waits(a, page, lease,
                before == 1 ? "its file is made; one print goes first" : "its file is made; " + before + " prints go first");
            return MY_TURN;
        }
        return sending.step(a, page, lease);
    }

    /** Says why a page waits, once. */
    private void waits(Attempt a, AttemptPage page, PrintProgressRepository.Lease lease, String why) {
        if (page.state() != AttemptState.WAITING || !page.message().equals(why) || !a.message().equals(why)) {
            progress.state(lease, page.page(), AttemptState.WAITING, why, 0);
            events.publish("attempt", a.id().toString());
        }
    }

    private void close(Attempt a, PrintProgressRepository.Lease lease) {
        Optional<AttemptPage> failed = a.pages().stream().filter(p -> p.state() == AttemptState.FAILED).findFirst();
        Optional<AttemptPage> cancelled = a.pages().stream().filter(p -> p.state() == AttemptState.CANCELLED).findFirst();
        Optional<AttemptPage> first = failed.or(() -> cancelled);
        String message = first.map(p -> (a.pages().size() > 1 ? "Page " + p.page() + ": " : "") + p.message())
            .orElseGet(() -> a.pages().stream().map(AttemptPage::message).filter(m -> !m.isEmpty()).findFirst().orElse(""));
        progress.leaveUnprinted(lease);
        progress.close(lease, failed.isPresent() ? AttemptState.FAILED : cancelled.isPresent() ? AttemptState.CANCELLED : AttemptState.DONE,
            message);
    }

    /** Whatever ended a step leaves a record that is true and a docket that can be released again. */
    private Duration ended(Attempt a, PrintProgressRepository.Lease lease, Throwable e) {
        if (shutdown.underWay() && !Thread.currentThread().isInterrupted()) {
            return StepTask.NOW;
        }
        if (Thread.currentThread().isInterrupted()) {
            throw new StepTask.Stopped(e);
        }
        if (e instanceof CancellationException && attempts.cancelAsked(a.id())) {
            progress.close(lease, AttemptState.CANCELLED, "Cancelled before anything was printed.");
            return StepTask.OVER;
        }
        if (e instanceof PrinterException p && p.reason() == PrinterException.Reason.INTERRUPTED) {
            throw new StepTask.Stopped(e);
        }
        progress.close(lease, AttemptState.FAILED, AttemptFaults.words(a.id(), e));
        return StepTask.OVER;
    }
}
