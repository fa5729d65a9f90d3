package wistel.server.arrival;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.time.Duration;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import wistel.core.fault.InvalidRequest;
import wistel.server.setting.SettingRepository;
import wistel.server.store.Json;

/** Which folder is watched, and what is done with what lies there. */
@Service
class WatchSettings {
    private static final String KEY = "watched-folder";
    private static final Watch OFF = new Watch(false, "", ArrivalService.Newer.TAKEN, Done.LEFT);
    private static final int LONGEST = 2000;

    /** Where files go that were taken. */
    enum Done {
        /** They stay where they are. */
        LEFT,
        /** Into a folder beside the watched one. */
        MOVED
    }

    /** @param folder its whole path; blank where none was named yet */
    record Watch(boolean on, String folder, ArrivalService.Newer newer, Done done) {
    }

    private final SettingRepository settings;
    private final Json json;
    private final Path own;
    private final Duration still;

    WatchSettings(SettingRepository settings, Json json, @Value("${wistel.files}") Path own,
        @Value("${wistel.watch.still:PT3S}") Duration still) {
        this.still = still;
        this.settings = settings;
        this.json = json;
        this.own = own;
    }

    /** A file that hasn't changed for so long has been written to its end. */
    Duration still() {
        return still;
    }

    Watch get() {
        return settings.get(KEY).map(text -> json.read(text, Watch.class)).orElse(OFF);
    }

    /**
     * @return as it is kept, the folder's path without links
     * @throws InvalidRequest when there is no such folder, or it can't be watched
     */
    Watch set(Watch asked) {
        Watch next = asked.on || !asked.folder.isBlank() ? checked(asked) : asked;
        settings.put(KEY, json.text(next));
        return next;
    }

    private Watch checked(Watch asked) {
        Path folder = real(asked.folder.strip());
        String problem = problem(folder);
        if (!problem.isEmpty()) {
            throw refused(problem);
        }
        if (asked.on && asked.done == Done.MOVED && !(Files.isWritable(folder) && writable(doneFolder(folder)))) {
            throw refused("Files can't be moved out of this folder into " + doneFolder(folder) + ": it may not be written there.");
        }
        return new Watch(asked.on, folder.toString(), asked.newer, asked.done);
    }

    private static boolean writable(Path done) {
        return Files.exists(done, LinkOption.NOFOLLOW_LINKS)
            ? Files.isDirectory(done, LinkOption.NOFOLLOW_LINKS) && Files.isWritable(done) : Files.isWritable(done.getParent());
    }

    private static Path real(String folder) {
        try {
            if (folder.isEmpty() || folder.length() > LONGEST || !Path.of(folder).isAbsolute()) {
                throw refused("A folder is named by its whole path, from the root on.");
            }
            return Path.of(folder).toRealPath();
        } catch (IOException | InvalidPathException e) {
            throw refused("There is no folder " + (folder.length() > 80 ? folder.substring(0, 80) + "…" : folder) + ".");
        }
    }

    private static InvalidRequest refused(String what) {
        return new InvalidRequest(InvalidRequest.Reason.FOLDER_UNFIT, what, "Name a folder that your editor exports to.");
    }

    /** What keeps a folder from being watched; blank where nothing does. */
    String problem(Path folder) {
        if (Files.isSymbolicLink(folder)) {
            return folder + " is only a link now, and links aren't followed.";
        }
        if (!Files.isDirectory(folder, LinkOption.NOFOLLOW_LINKS)) {
            return folder + " isn't there. As soon as it is there again it is watched.";
        }
        if (!Files.isReadable(folder) || !Files.isExecutable(folder)) {
            return folder + " may not be read.";
        }
        if (folder.getParent() == null) {
            return "The root of the disk isn't watched: everything lies there.";
        }
        return own(folder) ? "That is where Wistel keeps its own files." : "";
    }

    /** Wistel's own folder, one in it, or one that holds it. */
    private boolean own(Path folder) {
        try {
            Path mine = own.toRealPath();
            return folder.startsWith(mine) || mine.startsWith(folder) || doneFolder(folder).startsWith(mine);
        } catch (IOException e) {
            return true;
        }
    }

    /** Beside the watched one. */
    static Path doneFolder(Path folder) {
        return folder.resolveSibling(folder.getFileName() + " taken");
    }
}
