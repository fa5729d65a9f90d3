package wistel.server.print;

import com.github.kagkarlsson.scheduler.task.CompletionHandler;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.helper.CustomTask;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The two persistent tasks of a print: make the file, then see it through the printer. Both may be run again after a stop at any moment. */
@Configuration
class PrintTasks {
    static final TaskDescriptor<Void> RENDER = TaskDescriptor.of("render");
    static final TaskDescriptor<Void> SEND = TaskDescriptor.of("send");

    @Bean
    OneTimeTask<Void> renderTask(Rendering rendering) {
        return Tasks.oneTime(RENDER).execute((instance, context) -> rendering.render(UUID.fromString(instance.getId())));
    }

    @Bean
    CustomTask<Void> sendTask(Sending sending) {
        return Tasks.custom(SEND).execute((instance, context) -> {
            Duration next = sending.step(UUID.fromString(instance.getId()));
            return next.isZero() ? new CompletionHandler.OnCompleteRemove<>()
                : (complete, operations) -> operations.reschedule(complete, Instant.now().plus(next));
        });
    }
}
