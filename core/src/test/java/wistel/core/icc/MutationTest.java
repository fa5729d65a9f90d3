package wistel.core.icc;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;
import org.testng.annotations.Test;
import wistel.core.fault.ProfileException;
import wistel.core.icc.gamut.GamutBoundary;
import wistel.core.icc.profile.DeviceClass;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.profile.ProfileWriter;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.stage.Chain;
import wistel.core.icc.transform.DeviceModel;
import wistel.core.icc.transform.Observer;
import wistel.core.icc.transform.ProofView;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.TransformCompiler;

/** Whatever is done to the bytes of any profile on hand, the outcome is a working profile or a typed error, in bounded time and memory. */
public class MutationTest {
    private static final int MUTATIONS = 21_000;

    @Test(timeOut = 240_000)
    public void mutatedProfilesWorkOrEndInATypedError() {
        List<byte[]> seeds = new ArrayList<>(FoundProfiles.files().values());
        List<byte[]> small = seeds.stream().filter(s -> s.length < 20_000).toList();
        AtomicInteger refused = new AtomicInteger();
        AtomicInteger worked = new AtomicInteger();
        IntStream.range(0, MUTATIONS).parallel().forEach(i -> {
            SplittableRandom random = new SplittableRandom(1000 + i);
            // every profile has its turn; large ones, which take longer to copy and hash, less often
            byte[] seed = i % 12 == 0 ? seeds.get(i / 12 % seeds.size()) : small.get(i % small.size());
            try {
                use(mutated(seed, random), i);
                worked.incrementAndGet();
            } catch (ProfileException e) {
                assertThat(e.getMessage()).isNotBlank();
                refused.incrementAndGet();
            }
        });
        assertThat(refused.get()).isGreaterThan(4000);
        assertThat(worked.get()).isGreaterThan(4000);
    }

    /** Bytes anywhere, or in the header and the tags' heads where counts and offsets stand; sometimes cut short. */
    private static byte[] mutated(byte[] seed, SplittableRandom random) {
        byte[] bytes = seed.clone();
        int tags = ByteBuffer.wrap(seed).getInt(128);
        for (int k = 0; k <= random.nextInt(5); k++) {
            int at = switch (random.nextInt(4)) {
                case 0 -> random.nextInt(bytes.length);
                case 1 -> random.nextInt(Math.min(bytes.length, 132 + 12 * tags));
                default -> ByteBuffer.wrap(seed).getInt(136 + 12 * random.nextInt(tags)) + random.nextInt(56);
            };
            byte[] likely = {0, 1, -1, 127, -128, (byte) random.nextInt(256)};
            bytes[Math.min(bytes.length - 1, Math.max(0, at))] = likely[random.nextInt(likely.length)];
        }
        return random.nextInt(10) == 0 ? Arrays.copyOf(bytes, random.nextInt(bytes.length)) : bytes;
    }

    private static void use(byte[] bytes, int turn) {
        IccProfile p = ProfileReader.read(bytes);
        p.description();
        p.notes();
        p.mediaWhite();
        p.adaptation();
        p.chartText();
        ProfileReader.read(ProfileWriter.of(p).write());
        Intent intent = Intent.values()[turn % 4];
        Chain chain;
        if (p.deviceClass() == DeviceClass.LINK || p.deviceClass() == DeviceClass.ABSTRACT) {
            chain = Chain.of(new Recipe.Linked(p).stages());
        } else {
            DeviceModel.gamut(p).ifPresent(stages -> Chain.of(stages).at(0.4, 0.5, 0.6));
            chain = Chain.of(new Recipe.Convert(p, StandardSpaces.SRGB, intent, turn % 3 == 0, Observer.values()[turn % 2]).stages());
            Chain.of(new Recipe.Convert(StandardSpaces.SRGB, p, intent, turn % 5 == 0, Observer.ADAPTED).stages()).at(0.2, 0.9, 0.5);
        }
        chain.at(0.3, 0.7, 0.1, 0.2, 0.5, 0.5, 0.5, 0.5);
        if (turn % 700 == 0) {
            TransformCompiler.compile(new Recipe.Proof(StandardSpaces.SRGB, p, intent, true, ProofView.PAPER_WHITE, StandardSpaces.SRGB));
            GamutBoundary.of(p);
        }
    }

    /** Two hundred tags, each of nearly the whole file: their copies would fill the heap. */
    @Test
    public void tagsThatLieOverOneAnotherAreRefused() {
        byte[] bytes = Arrays.copyOf(StandardSpaces.SRGB.bytes(), 4 << 20);
        ByteBuffer out = ByteBuffer.wrap(bytes);
        out.putInt(128, 200);
        for (int i = 0; i < 200; i++) {
            out.putInt(132 + 12 * i, 0x41414100 + i).putInt(136 + 12 * i, 2600 + 4 * i).putInt(140 + 12 * i, (4 << 20) - 4000);
        }
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> ProfileReader.read(bytes)).isInstanceOf(ProfileException.class)
            .hasMessageContaining("over one another");
    }
}
