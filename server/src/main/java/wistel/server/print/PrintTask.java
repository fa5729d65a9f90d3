package wistel.server.print;

import com.github.kagkarlsson.scheduler.task.CompletionHandler;
import com.github.kagkarlsson.scheduler.task.FailureHandler;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.helper.CustomTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
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
import wistel.core.fault.WistelException;
import wistel.server.edge.Events;
import wistel.server.edge.Shutdown;

/**
 * The persistent task that sees one attempt all the way: for each page it makes the file, sends it and follows its job, one step an execution. As it
 * is one task, rendering and sending of an attempt exclude each other. Every step may be run again after a stop at any moment, on any server.
 */
@Component
class PrintTask {
    private static final Logger LOG = LoggerFactory.getLogger(PrintTask.class);
    static final TaskDescriptor<Void> PRINT = TaskDescriptor.of("print");
    private static final Duration NOW = Duration.ofMillis(1);
    private static final Duration LOOK_AGAIN = Duration.ofSeconds(2);
    private static final String HELD = "held: its file is made, and it is sent when you say so";
    private static final Duration AFTER_FAULT = Duration.ofSeconds(3);
    /** The attempt is over; there is no next step. */
    static final Duration OVER = Duration.ZERO;

    private final AttemptRepository attempts;
    private final Rendering rendering;
    private final Sending sending;
    private final Events events;
    private final Shutdown shutdown;

    PrintTask(AttemptRepository attempts, Rendering rendering, Sending sending, Events events, Shutdown shutdown) {
        this.attempts = attempts;
        this.rendering = rendering;
        this.sending = sending;
        this.events = events;
        this.shutdown = shutdown;
    }

    /** The server stops in the middle of a step: neither a cancel nor a fault, the step is run again. */
    static final class Stopped extends RuntimeException {
        Stopped(Throwable cause) {
            super("stopped; the step is run again", cause, false, false);
        }
    }

    @Configuration
    static class Registered {
        @Bean
        CustomTask<Void> printing(PrintTask task) {
            FailureHandler<Void> runAgain = new FailureHandler.OnFailureRetryLater<>(AFTER_FAULT);
            return Tasks.custom(PRINT).onFailure(runAgain).execute((instance, context) -> {
                Duration next = task.step(UUID.fromString(instance.getId()));
                return next.equals(OVER) ? new CompletionHandler.OnCompleteRemove<>()
                    : (complete, operations) -> operations.reschedule(complete, Instant.now().plus(next));
            });
        }
    }

    /** @return when to come again */
    Duration step(UUID id) {
        Attempt before = attempts.get(id);
        if (before.over()) {
            return OVER;
        }
        AttemptRepository.Lease lease = attempts.lease(id);
        try {
            return step(before, lease);
        } catch (AttemptRepository.LeaseLost e) {
            LOG.info("{}", e.getMessage());
            return AFTER_FAULT;
        } catch (DataAccessException e) {
            // the database is away: nothing can be recorded, so the step is run again
            throw e;
        } catch (Throwable e) {
            return ended(before, lease, e);
        } finally {
            events.tell("attempt", id.toString());
        }
    }

    private Duration step(Attempt a, AttemptRepository.Lease lease) throws Exception {
        Optional<AttemptPage> open = a.openPage();
        boolean spoilt = a.pages().stream().anyMatch(p -> p.state() == AttemptState.FAILED || p.state() == AttemptState.CANCELLED);
        boolean stopHere = spoilt && a.pages().stream().noneMatch(p -> !p.state().over() && p.jobTries() > 0);
        if (open.isEmpty() || stopHere) {
            close(a, lease);
            return OVER;
        }
        AttemptPage page = open.get();
        if (a.cancelAsked() && page.jobId().isEmpty()) {
            throw new CancellationException();
        }
        if (!page.jobSent() && !rendering.hasFile(page)) {
            rendering.render(a, page, lease);
            return NOW;
        }
        if (a.labFile()) {
            attempts.closePage(lease, page.page(), AttemptState.DONE, "");
            return NOW;
        }
        if (a.held() && page.jobId().isEmpty()) {
            attempts.state(lease, page.page(), AttemptState.WAITING, HELD, 0);
            return LOOK_AGAIN;
        }
        return sending.step(a, page, lease);
    }

    private void close(Attempt a, AttemptRepository.Lease lease) {
        Optional<AttemptPage> failed = a.pages().stream().filter(p -> p.state() == AttemptState.FAILED).findFirst();
        Optional<AttemptPage> cancelled = a.pages().stream().filter(p -> p.state() == AttemptState.CANCELLED).findFirst();
        Optional<AttemptPage> first = failed.or(() -> cancelled);
        String message = first.map(p -> (a.pages().size() > 1 ? "Page " + p.page() + ": " : "") + p.message())
            .orElseGet(() -> a.pages().stream().map(AttemptPage::message).filter(m -> !m.isEmpty()).findFirst().orElse(""));
        attempts.close(lease, failed.isPresent() ? AttemptState.FAILED : cancelled.isPresent() ? AttemptState.CANCELLED : AttemptState.DONE, message);
    }

    /** Whatever ended a step leaves a record that is true and a docket that can be released again. */
    private Duration ended(Attempt a, AttemptRepository.Lease lease, Throwable e) {
        if (shutdown.underWay() && !Thread.currentThread().isInterrupted()) {
            return NOW;
        }
        if (Thread.currentThread().isInterrupted()) {
            throw new Stopped(e);
        }
        if (e instanceof CancellationException && attempts.cancelAsked(a.id())) {
            attempts.close(lease, AttemptState.CANCELLED, "Cancelled before anything was printed.");
            return OVER;
        }
        if (e instanceof PrinterException p && p.reason() == PrinterException.Reason.INTERRUPTED) {
            throw new Stopped(e);
        }
        if (e instanceof WistelException known) {
            attempts.close(lease, AttemptState.FAILED, known.getMessage() + " " + known.next());
        } else if (e instanceof IOException) {
            LOG.error("attempt {}: a file could not be written or read", a.id(), e);
            attempts.close(lease, AttemptState.FAILED, "The print file could not be written or read: " + e.getMessage() + ". Is the disk full? Look whether a sheet came out.");
        } else {
            LOG.error("attempt {} met something unforeseen", a.id(), e);
            attempts.close(lease, AttemptState.FAILED, "Something unforeseen went wrong inside Wistel (" + e.getClass().getSimpleName()
                + "); the server's log says more. Look whether a sheet came out, then release the docket again.");
        }
        return OVER;
    }
}
