package wistel.server.pairing;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.Optional;
import org.springframework.stereotype.Component;
import wistel.core.icc.check.ControlStrip;
import wistel.core.icc.profile.IccProfile;
import wistel.server.store.ProfileRepository;
import wistel.server.store.RecordRepository;

/** The control strips that lie beside pictures, by the profile that they check. */
@Component
public class ControlStrips {
    /** A few numbers each. */
    private static final int MOST = 500;

    private final Cache<String, Optional<ControlStrip>> strips = Caffeine.newBuilder().maximumSize(MOST).build();
    private final ProfileRepository profiles;
    private final RecordRepository records;

    ControlStrips(ProfileRepository profiles, RecordRepository records) {
        this.profiles = profiles;
        this.records = records;
    }

    /** The smallest, as a border is narrow; empty of a profile that prints can't bear one for, or that can't be read. */
    public Optional<ControlStrip> beside(String profileHash) {
        Optional<ControlStrip> known = strips.getIfPresent(profileHash);
        if (known != null) {
            return known;
        }
        Optional<IccProfile> profile = records.readable("profile " + profileHash.substring(0, 8), () -> profiles.get(profileHash));
        Optional<ControlStrip> strip = profile.filter(ControlStrip::besidePictures).map(p -> ControlStrip.of(p, ControlStrip.FEWEST));
        if (profile.isPresent()) {
            strips.put(profileHash, strip);
        }
        return strip;
    }
}
