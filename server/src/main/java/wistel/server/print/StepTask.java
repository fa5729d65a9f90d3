package wistel.server.print;

import com.github.kagkarlsson.scheduler.task.CompletionHandler;
import com.github.kagkarlsson.scheduler.task.FailureHandler;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.helper.CustomTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.time.Clock;
import java.time.Duration;
import java.util.function.Function;

/** A persistent task of one step an execution, each of which says when to come again. */
final class StepTask {
    static final Duration NOW = Duration.ofMillis(1);
    static final Duration AFTER_FAULT = Duration.ofSeconds(3);
    /** There is no next step. */
    static final Duration OVER = Duration.ZERO;

    private StepTask() {
    }

    /** The server stops in the middle of a step: neither a cancel nor a fault, the step is run again. */
    static final class Stopped extends RuntimeException {
        Stopped(Throwable cause) {
            super("stopped; the step is run again", cause, false, false);
        }
    }

    /** @param step of the instance of this name, to when to come again; one that throws is run again {@link #AFTER_FAULT} */
    static CustomTask<Void> of(TaskDescriptor<Void> task, Clock clock, Function<String, Duration> step) {
        FailureHandler<Void> runAgain = new FailureHandler.OnFailureRetryLater<>(AFTER_FAULT);
        return Tasks.custom(task).onFailure(runAgain).execute((instance, context) -> {
            Duration next = step.apply(instance.getId());
            return next.equals(OVER) ? new CompletionHandler.OnCompleteRemove<>()
                : (complete, operations) -> operations.reschedule(complete, clock.instant().plus(next));
        });
    }
}
