package wistel.server.start;

import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import wistel.server.edge.Events;
import wistel.server.master.MasterImport;

/** How far the start is. */
@RestController
class StatusController {
    private final Events events;
    private volatile Status status = new Status(false, "starting", MasterImport.LARGEST_BYTES);

    StatusController(Events events) {
        this.events = events;
    }

    /**
     * @param ready       the printers were asked and the bench is laid
     * @param doing       what is being done until then, for people
     * @param largestFile that can be dropped, in bytes
     */
    record Status(boolean ready, String doing, long largestFile) {
    }

    @GetMapping("/api/status")
    Status status() {
        return status;
    }

    void say(String doing) {
        status = new Status(false, doing, MasterImport.LARGEST_BYTES);
        events.publish("status", doing);
    }

    void ready() {
        status = new Status(true, "", MasterImport.LARGEST_BYTES);
        events.publish("status", "ready");
    }
}
