package wistel.server.arrival;

import java.nio.file.Path;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The watched folder, over REST. */
@RestController
@RequestMapping("/api/settings/watched-folder")
class WatchedFolderController {
    private final WatchSettings settings;
    private final WatchedFolder folder;

    WatchedFolderController(WatchSettings settings, WatchedFolder folder) {
        this.settings = settings;
        this.folder = folder;
    }

    /** @param doneFolder where files go that are moved; blank where no folder is named */
    record WatchedFolderView(WatchSettings.Watch watch, WatchedFolder.FolderState now, String doneFolder) {
    }

    private WatchedFolderView view(WatchSettings.Watch watch) {
        return new WatchedFolderView(watch, folder.now(), watch.folder().isBlank() ? "" : WatchSettings.doneFolder(Path.of(watch.folder()))
            .toString());
    }

    @GetMapping
    WatchedFolderView get() {
        return view(settings.get());
    }

    @PutMapping
    WatchedFolderView set(@RequestBody WatchSettings.Watch asked) {
        return view(settings.set(asked));
    }
}
