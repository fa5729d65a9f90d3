package wistel.standin.room;

import java.util.Map;
import java.util.SplittableRandom;
import wistel.core.pictures.LabScan;
import wistel.standin.ink.Paper;

/** Paper that touches the head where it lifts. */
final class HeadStrike {
    /** How near the leading edge paper that lifts may touch the head. */
    private static final double ZONE_MM = 28;

    private HeadStrike() {
    }

    /**
     * Paper that lifts touches the head near its leading edge where the wide margin was waived; a wide gap under the head saves it mostly.
     */
    static LabScan marked(LabScan scan, MachineModel.Offer offer, Paper paper, Map<String, String> settings, int seed) {
        boolean waived = offer != null && !offer.borderless() && offer.lead() < 10 && paper.lifts() >= 0.3;
        double risk = waived ? paper.lifts() * ("wide".equals(settings.get("wistel-head-gap")) ? 0.25 : 1) : 0;
        SplittableRandom random = new SplittableRandom(seed);
        if (random.nextDouble() >= risk) {
            return scan;
        }
        double perMm = scan.dpi() / 25.4;
        char[] pixels = scan.pixels().clone();
        for (int mark = 0; mark < 3 + random.nextInt(4); mark++) {
            int y = (int) (random.nextDouble() * ZONE_MM * perMm);
            int x = (int) (random.nextDouble() * scan.width());
            int length = (int) ((8 + random.nextDouble() * 30) * perMm);
            for (int dy = 0; dy < Math.max(2, (int) (1.2 * perMm)); dy++) {
                for (int dx = 0; dx < length; dx++) {
                    int at = 3 * ((y + dy) * scan.width() + x + dx);
                    if (x + dx < scan.width() && y + dy < scan.height()) {
                        pixels[at] = (char) (pixels[at] * 0.55);
                    }
                }
            }
        }
        return new LabScan(scan.width(), scan.height(), scan.dpi(), pixels);
    }
}
