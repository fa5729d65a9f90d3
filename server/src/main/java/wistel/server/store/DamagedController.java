package wistel.server.store;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Records that can't be read, by name. */
@RestController
class DamagedController {
    private final RecordRepository records;

    DamagedController(RecordRepository records) {
        this.records = records;
    }

    @GetMapping("/api/damaged")
    List<RecordRepository.Damaged> damaged() {
        return records.damaged();
    }
}
