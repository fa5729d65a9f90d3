package wistel.server.display;

import java.io.IOException;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import wistel.core.fault.NotFound;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.StandardSpaces;
import wistel.server.store.ProfileRepository;

/** The displays that a picture can be asked for. */
@Repository
public class DisplayRepository {
    private final JdbcClient jdbc;
    private final ProfileRepository profiles;
    private final Clock clock;

    public DisplayRepository(JdbcClient jdbc, ProfileRepository profiles, Clock clock) {
        this.jdbc = jdbc;
        this.profiles = profiles;
        this.clock = clock;
    }

    /** A profile that somebody brought. */
    public record OwnDisplay(String hash, String name) {
    }

    public List<OwnDisplay> own() {
        return jdbc.sql("select p.hash, p.description from display d join profile p using (hash) order by d.added")
            .query((r, n) -> new OwnDisplay(r.getString(1), r.getString(2))).list();
    }

    /** The same one twice is one. */
    @Transactional
    public OwnDisplay add(IccProfile profile) throws IOException {
        profiles.add(profile);
        jdbc.sql("insert into display (hash, added) values (?, ?) on conflict do nothing")
            .params(profile.hash(), Timestamp.from(clock.instant())).update();
        return new OwnDisplay(profile.hash(), profile.description());
    }

    /** Its profile stays among the files, as papers may have it too. */
    public void remove(String hash) {
        if (jdbc.sql("delete from display where hash = ?").param(hash).update() == 0) {
            throw gone();
        }
    }

    /** @param name srgb, p3 or rec2020 as CSS names them, or the hash of an own one */
    public IccProfile profile(String name) {
        return switch (name) {
            case "srgb" -> StandardSpaces.SRGB;
            case "p3" -> StandardSpaces.P3;
            case "rec2020" -> StandardSpaces.WIDE_RGB;
            default -> {
                if (jdbc.sql("select 1 from display where hash = ?").param(name).query(Integer.class).optional().isEmpty()) {
                    throw gone();
                }
                yield profiles.get(name);
            }
        };
    }

    /** A display, or {@code thumbnail} for a small picture in a list. */
    public Display display(String name, boolean tagged) {
        return name.equals("thumbnail") ? Display.THUMBNAIL : new Display(profile(name), tagged);
    }

    private static NotFound gone() {
        return new NotFound("There is no such screen among those that Wistel knows.", "Choose another one in Settings.");
    }
}
