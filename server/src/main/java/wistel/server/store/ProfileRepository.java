package wistel.server.store;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.sql.Timestamp;
import java.time.Clock;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import wistel.core.fault.ProfileException;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.profile.StandardSpaces;

/** ICC profiles, by hash: bytes among the files, names in the database, the last used ones in memory. */
@Repository
public class ProfileRepository {
    private static final int MOST_BYTES = 64 << 20;

    private final FileStore files;
    private final JdbcClient jdbc;
    private final Clock clock;
    private final Cache<String, IccProfile> read = Caffeine.newBuilder().maximumWeight(MOST_BYTES)
        .weigher((String h, IccProfile p) -> 2 * p.bytes().length + 10_000).build();

    public ProfileRepository(FileStore files, JdbcClient jdbc, Clock clock) {
        this.files = files;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    public void add(IccProfile profile) throws IOException {
        files.put(new ByteArrayInputStream(profile.bytes()), ProfileReader.LARGEST_BYTES);
        jdbc.sql("insert into profile (hash, description, space, added) values (?, ?, ?, ?) on conflict do nothing")
            .params(profile.hash(), profile.description(), profile.space().name(), Timestamp.from(clock.instant())).update();
    }

    /** A kept profile, or a standard one, which are always there. */
    public IccProfile get(String hash) {
        return StandardSpaces.ALL.stream().filter(s -> s.hash().equals(hash)).findFirst()
            .orElseGet(() -> read.get(hash, this::read));
    }

    private IccProfile read(String hash) {
        if (!files.has(hash)) {
            throw new ProfileException(ProfileException.Reason.GONE, "The profile " + hash + " is not among Wistel's files any more.",
                "Bring it back from a copy of the folder.");
        }
        return ProfileReader.read(files.bytes(hash));
    }
}
