package wistel.server.compensation;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import wistel.core.fault.Conflict;
import wistel.core.fault.InvalidRequest;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.rendition.AbstractProfile;
import wistel.core.rendition.Compensation;
import wistel.core.rendition.Move;
import wistel.server.store.Json;

/** Compensations as files: a small JSON of the moves, and ICC abstract profiles, which carry that JSON inside. */
@Component
public class CompensationFiles {
    private static final String FORMAT = "wistel-compensation";
    private static final int SCHEMA = 1;
    private static final int MOST_NAMES = 100;

    private final CompensationRepository compensations;
    private final Json json;

    CompensationFiles(CompensationRepository compensations, Json json) {
        this.compensations = compensations;
        this.json = json;
    }

    /** @param schema 1 */
    record CompensationFile(String format, int schema, String name, List<Move> moves) {
        private CompensationFile checked() {
            if (!FORMAT.equals(format) || schema != SCHEMA) {
                throw new InvalidRequest(InvalidRequest.Reason.REQUEST_UNCLEAR,
                    "This is no compensation that Wistel wrote, or one of a later Wistel.",
                    "Choose the file of a compensation, or an abstract profile.");
            }
            return this;
        }
    }

    public byte[] text(Compensation c) {
        return json.text(new CompensationFile(FORMAT, SCHEMA, c.name(), c.moves())).getBytes(StandardCharsets.UTF_8);
    }

    public byte[] profile(Compensation c) {
        return AbstractProfile.write(c, text(c));
    }

    /** @param words how it was read */
    public record Taken(CompensationRepository.Row row, String words) {
    }

    /** Either kind of file, kept under its own name, or one like it where that is taken. */
    public Taken take(InputStream body) throws IOException {
        byte[] file = body.readNBytes(ProfileReader.LARGEST_BYTES + 1);
        if (new String(file, 0, Math.min(64, file.length), StandardCharsets.UTF_8).stripLeading().startsWith("{")) {
            CompensationFile read = read(file);
            return new Taken(add(read.name, read.moves), "Its moves are as they were written.");
        }
        IccProfile profile = ProfileReader.read(file);
        Optional<CompensationFile> own = AbstractProfile.own(profile).map(this::read);
        if (own.isPresent()) {
            return new Taken(add(own.get().name, own.get().moves), "Its moves are as they were written.");
        }
        AbstractProfile.Found found = AbstractProfile.read(profile);
        String name = profile.description().isBlank() ? "Abstract profile" : profile.description();
        return new Taken(add(name.substring(0, Math.min(Compensation.LONGEST_NAME, name.length())), found.moves()),
            String.format(Locale.ROOT, "Its table was read as moves. They do the same to ΔE %.1f on average, %.1f at most.", found.mean(),
                found.most()));
    }

    private CompensationFile read(byte[] text) {
        return json.asked(new String(text, StandardCharsets.UTF_8), CompensationFile.class).checked();
    }

    private CompensationRepository.Row add(String name, List<Move> moves) {
        for (int n = 1;; n++) {
            String more = n == 1 ? "" : ", " + n;
            String whole = name.strip().substring(0, Math.min(Compensation.LONGEST_NAME - more.length(), name.strip().length())) + more;
            try {
                return compensations.add(new Compensation(UUID.randomUUID().toString(), 1, whole, moves), Optional.empty());
            } catch (Conflict e) {
                if (e.reason() != Conflict.Reason.NAME_TAKEN || n == MOST_NAMES) {
                    throw e;
                }
            }
        }
    }
}
