package wistel.server.print;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.exceptions.TaskInstanceException;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.helper.CustomTask;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CancellationException;
import java.util.concurrent.Semaphore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Lazy;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import wistel.server.edge.Events;
import wistel.server.edge.Shutdown;

/**
 * The persistent task that makes the print files of one printer, a page an execution, in the order of release; files for labs are made by
 * one of their own. It never sends anything: {@link PrintTask} does, meanwhile.
 */
@Component
class RenderTask {
    private static final Logger LOG = LoggerFactory.getLogger(RenderTask.class);
    static final TaskDescriptor<Void> RENDER = TaskDescriptor.of("render");
    /** Instance that makes files for labs. */
    static final String LAB_FILES = "lab-files";
    private static final Duration LOOK_AGAIN = Duration.ofMillis(400);
    /**
     * Pages made at a time on this machine: each takes all processors for its bands, two keep them busy while files are read and written.
     */
    private static final int MOST_AT_ONCE = 2;

    private final AttemptRepository attempts;
    private final PrintProgressRepository progress;
    private final Rendering rendering;
    private final SchedulerClient scheduler;
    private final Events events;
    private final Shutdown shutdown;
    private final Clock clock;
    private final Semaphore places = new Semaphore(MOST_AT_ONCE);

    RenderTask(AttemptRepository attempts, PrintProgressRepository progress, Rendering rendering, @Lazy SchedulerClient scheduler,
        Events events,
        Shutdown shutdown,
        Clock clock) {
        this.scheduler = scheduler;
        this.clock = clock;
        this.attempts = attempts;
        this.progress = progress;
        this.rendering = rendering;
        this.events = events;
        this.shutdown = shutdown;
    }

    @Configuration
    static class Registered {
        @Bean
        CustomTask<Void> making(RenderTask task, Clock clock) {
            return StepTask.of(RENDER, clock, task::step);
        }
    }

    /** The instance that makes an attempt's files. */
    static String instance(Attempt a) {
        return a.labFile() ? LAB_FILES : a.printerId().toString();
    }

    /** @return when to come again */
    Duration step(String instance) {
        if (shutdown.underWay()) {
            return StepTask.NOW;
        }
        List<Attempt> running = instance.equals(LAB_FILES) ? attempts.labFilesUnderWay() : attempts.underWay(UUID.fromString(instance));
        if (running.isEmpty()) {
            return StepTask.OVER;
        }
        Optional<RenderQueue.Next> next = RenderQueue.next(running, rendering::hasFile);
        if (next.isEmpty() || !places.tryAcquire()) {
            return LOOK_AGAIN;
        }
        try {
            return make(next.get());
        } finally {
            places.release();
        }
    }

    private Duration make(RenderQueue.Next next) {
        Attempt a = next.attempt();
        PrintProgressRepository.Lease lease = progress.leaseToRender(a.id());
        try {
            rendering.render(a, next.page(), lease);
            wake(a);
            return StepTask.NOW;
        } catch (PrintProgressRepository.LeaseLost e) {
            LOG.info("{}", e.getMessage());
            return LOOK_AGAIN;
        } catch (DataAccessException e) {
            // the database is away: nothing can be recorded, so the page is made again
            throw e;
        } catch (Throwable e) {
            return ended(a, next.page(), lease, e);
        } finally {
            events.publish("attempt", a.id().toString());
        }
    }

    /** What sends it needn't wait until it looks again by itself. */
    private void wake(Attempt a) {
        try {
            scheduler.reschedule(PrintTask.PRINT.instanceId(a.id().toString()), clock.instant());
        } catch (TaskInstanceException e) {
            LOG.debug("attempt {} looks again by itself: {}", a.id(), e.getMessage());
        }
    }

    /** Whatever ended it leaves a record that is true. */
    private Duration ended(Attempt a, AttemptPage page, PrintProgressRepository.Lease lease, Throwable e) {
        if (Thread.currentThread().isInterrupted()) {
            throw new StepTask.Stopped(e);
        }
        if (shutdown.underWay()) {
            return StepTask.NOW;
        }
        try {
            if (e instanceof CancellationException && attempts.cancelAsked(a.id())) {
                progress.notMade(lease, page.page());
            } else {
                progress.closePage(lease, page.page(), AttemptState.FAILED, AttemptFaults.words(a.id(), e));
            }
        } catch (PrintProgressRepository.LeaseLost over) {
            LOG.info("{}", over.getMessage());
        }
        return StepTask.NOW;
    }
}
