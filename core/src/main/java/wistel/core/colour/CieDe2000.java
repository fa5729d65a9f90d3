package wistel.core.colour;

/**
 * The CIEDE2000 colour difference with kL = kC = kH = 1, after Sharma, Wu and Dalal, "The CIEDE2000 Color-Difference Formula:
 * Implementation Notes, Supplementary Test Data, and Mathematical Observations", Color Research and Application 30 (2005).
 */
public final class CieDe2000 {
    private static final double POW25_7 = 6103515625.0;

    private CieDe2000() {
    }

    /** Difference of two L*a*b* colours; symmetric, zero only for equal colours. */
    public static double between(double l1, double a1, double b1, double l2, double a2, double b2) {
        double c1 = Math.sqrt(a1 * a1 + b1 * b1);
        double c2 = Math.sqrt(a2 * a2 + b2 * b2);
        double g = 0.5 * (1 - chromaWeight((c1 + c2) / 2));
        double a1p = (1 + g) * a1;
        double a2p = (1 + g) * a2;
        double c1p = Math.sqrt(a1p * a1p + b1 * b1);
        double c2p = Math.sqrt(a2p * a2p + b2 * b2);
        double h1 = hue(a1p, b1);
        double h2 = hue(a2p, b2);
        boolean neutral = c1p * c2p == 0;

        double dL = l2 - l1;
        double dC = c2p - c1p;
        double dh = neutral ? 0 : wrapped(h2 - h1);
        double dH = 2 * Math.sqrt(c1p * c2p) * Math.sin(Math.toRadians(dh / 2));

        double lMean = (l1 + l2) / 2;
        double cMean = (c1p + c2p) / 2;
        double hMean = neutral ? h1 + h2 : meanHue(h1, h2);

        double t = 1 - 0.17 * cos(hMean - 30) + 0.24 * cos(2 * hMean) + 0.32 * cos(3 * hMean + 6) - 0.20 * cos(4 * hMean - 63);
        double away = (lMean - 50) * (lMean - 50);
        double sL = 1 + 0.015 * away / Math.sqrt(20 + away);
        double sC = 1 + 0.045 * cMean;
        double sH = 1 + 0.015 * cMean * t;
        double blueTurn = (hMean - 275) / 25;
        double rT = -2 * chromaWeight(cMean) * Math.sin(Math.toRadians(60 * Math.exp(-blueTurn * blueTurn)));

        double pL = dL / sL;
        double pC = dC / sC;
        double pH = dH / sH;
        return Math.sqrt(Math.max(0, pL * pL + pC * pC + pH * pH + rT * pC * pH));
    }

    private static double chromaWeight(double chroma) {
        double c7 = Math.pow(chroma, 7);
        return Math.sqrt(c7 / (c7 + POW25_7));
    }

    private static double hue(double a, double b) {
        if (a == 0 && b == 0) {
            return 0;
        }
        double degrees = Math.toDegrees(Math.atan2(b, a));
        return degrees < 0 ? degrees + 360 : degrees;
    }

    private static double wrapped(double degrees) {
        if (degrees > 180) {
            return degrees - 360;
        }
        return degrees < -180 ? degrees + 360 : degrees;
    }

    private static double meanHue(double h1, double h2) {
        double sum = h1 + h2;
        if (Math.abs(h1 - h2) <= 180) {
            return sum / 2;
        }
        return sum < 360 ? (sum + 360) / 2 : (sum - 360) / 2;
    }

    private static double cos(double degrees) {
        return Math.cos(Math.toRadians(degrees));
    }
}
