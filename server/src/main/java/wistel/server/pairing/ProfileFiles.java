package wistel.server.pairing;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.ByteArrayInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.io.SequenceInputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipInputStream;
import org.springframework.stereotype.Component;
import wistel.core.fault.InvalidRequest;
import wistel.core.fault.WistelException;
import wistel.core.icc.inspection.ProfileInspection;
import wistel.core.icc.inspection.ProfileJudgement;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.ProfileReader;
import wistel.server.store.ProfileRepository;

/** Profiles of papers that people bring, by themselves or in a zip: inspected, and kept when they can be printed with. */
@Component
public class ProfileFiles {
    private static final int MOST_ENTRIES = 1000;
    private static final int MOST_PROFILES = 50;
    private static final long MOST_BYTES = 128L << 20;

    private final ProfileRepository profiles;
    private final Cache<String, ProfileInspection> inspected = Caffeine.newBuilder().maximumSize(50).build();
    private final Cache<String, ProfileJudgement> judged = Caffeine.newBuilder().maximumSize(20).build();

    ProfileFiles(ProfileRepository profiles) {
        this.profiles = profiles;
    }

    /** @param hash by which a pairing names it */
    public record PaperProfile(String hash, String description, ProfileInspection inspection) {
    }

    /**
     * @param file    its name in the zip; empty for one that came by itself
     * @param refusal why it can't be used, in words
     */
    public record TakenProfile(String file, Optional<PaperProfile> profile, Optional<String> refusal) {
    }

    /** @throws WistelException of a profile that came by itself and can't be used; in a zip each is told by itself */
    public List<TakenProfile> take(InputStream body) throws IOException {
        byte[] start = body.readNBytes(4);
        InputStream whole = new SequenceInputStream(new ByteArrayInputStream(start), body);
        if (!new String(start, StandardCharsets.ISO_8859_1).startsWith("PK\u0003\u0004")) {
            return List.of(new TakenProfile("", Optional.of(kept(ProfileReader.read(whole))), Optional.empty()));
        }
        List<TakenProfile> taken = new ArrayList<>();
        try (ZipInputStream zip = new ZipInputStream(whole)) {
            int entries = 0;
            long bytes = 0;
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                entries++;
                boolean wanted = entry.getName().toLowerCase(Locale.ROOT).matches(".*\\.ic[cm]$") && !entry.getName().contains("__MACOSX");
                // what is not wanted is unpacked too, to find where the next one begins
                byte[] file = zip.readNBytes((int) Math.min(ProfileReader.LARGEST_BYTES + 1, MOST_BYTES - bytes + 1));
                bytes += file.length;
                if (entries > MOST_ENTRIES || bytes > MOST_BYTES || file.length > ProfileReader.LARGEST_BYTES
                    || taken.size() >= MOST_PROFILES && wanted) {
                    throw new InvalidRequest(InvalidRequest.Reason.FILE_TOO_LARGE,
                        "This zip unpacks to more than can be: " + (MOST_BYTES >> 20) + " MB, " + MOST_PROFILES + " profiles.",
                        "Take the profile out of it and bring that.");
                }
                if (wanted) {
                    taken.add(told(entry.getName(), file));
                }
            }
        } catch (ZipException | EOFException | IllegalArgumentException e) {
            throw new InvalidRequest(InvalidRequest.Reason.REQUEST_UNCLEAR, "This zip can't be read to its end.",
                "Take the profile out of it and bring that.");
        }
        if (taken.isEmpty()) {
            throw new InvalidRequest(InvalidRequest.Reason.REQUEST_UNCLEAR,
                "There is no profile in this zip: none of its files ends in .icc or .icm.", "Choose another file.");
        }
        return taken;
    }

    private TakenProfile told(String name, byte[] file) throws IOException {
        try {
            return new TakenProfile(name, Optional.of(kept(ProfileReader.read(file))), Optional.empty());
        } catch (WistelException e) {
            return new TakenProfile(name, Optional.empty(), Optional.of(e.getMessage() + " " + e.next()));
        }
    }

    private PaperProfile kept(IccProfile profile) throws IOException {
        PaperProfile paper = new PaperProfile(profile.hash(), profile.description(), inspection(profile));
        profiles.add(profile);
        return paper;
    }

    public PaperProfile known(String hash) {
        IccProfile profile = profiles.get(hash);
        return new PaperProfile(hash, profile.description(), inspection(profile));
    }

    /** A profile looked into, for its own page. */
    public ProfileJudgement judgement(String hash) {
        return judged.get(hash, h -> ProfileJudgement.of(profiles.get(h)));
    }

    private ProfileInspection inspection(IccProfile profile) {
        return inspected.get(profile.hash(), h -> ProfileInspection.of(profile));
    }
}
