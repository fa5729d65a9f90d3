package wistel.core.docket;

import wistel.core.icc.profile.Intent;
import wistel.core.icc.transform.ProofView;

/**
 * Everything that a person decides on a docket, station by station. Immutable: undo keeps old ones, a mend proposes a new one.
 */
public record DocketSpec(String title, PictureSpec picture, String pairingId, SizeSpec size, ProofSpec proof, MachineSpec machine,
                        int copies, String notes) {

    /** @param profileTaken true once a missing profile was answered: the picture is then read as sRGB (or gray, gamma 2.2) */
    public record PictureSpec(boolean profileTaken) {
    }

    public enum Fit { WHOLE, FILL }

    public enum Borders { EVEN, HEAVIER_FOOT }

    public enum Pixels { KEEP, RESAMPLE }

    /**
     * @param sheet      name of a {@link wistel.core.paper.SheetSize}
     * @param across     long edge lying left to right
     * @param widthMm    width of the printed frame; with {@link Fit#WHOLE} the height follows from the picture
     * @param cropX      with {@link Fit#FILL}, where the frame sits in the picture: 0 left, 1 right
     * @param resamplePpi with {@link Pixels#RESAMPLE}, the picture is first brought to this many pixels per inch
     * @param viewingMm  distance it will be looked at from; 0 when not said
     */
    public record SizeSpec(String sheet, boolean across, double widthMm, double heightMm, Fit fit, double cropX, double cropY,
                              Borders borders, Pixels pixels, int resamplePpi, double viewingMm) {
        public SizeSpec withFrame(double wMm, double hMm) {
            return new SizeSpec(sheet, across, wMm, hMm, fit, cropX, cropY, borders, pixels, resamplePpi, viewingMm);
        }

        public SizeSpec withSheet(String name) {
            return new SizeSpec(name, across, widthMm, heightMm, fit, cropX, cropY, borders, pixels, resamplePpi, viewingMm);
        }

        public SizeSpec turned() {
            return new SizeSpec(sheet, !across, widthMm, heightMm, fit, cropX, cropY, borders, pixels, resamplePpi, viewingMm);
        }
    }

    /** @param looked true once the proof was opened for this pairing */
    public record ProofSpec(Intent intent, boolean blackPoint, ProofView view, boolean looked) {
        /** Black point compensation asked for and possible: never with the absolute intent (ISO 18619, 4.1). */
        boolean compensatesBlack() {
            return blackPoint && intent != Intent.ABSOLUTE;
        }
    }

    public enum ColourBy { WISTEL, DRIVER }

    public record MachineSpec(String mediaType, String feed, int quality, ColourBy colourBy) {
    }

    public DocketSpec withPicture(PictureSpec next) {
        return new DocketSpec(title, next, pairingId, size, proof, machine, copies, notes);
    }

    public DocketSpec withSize(SizeSpec next) {
        return new DocketSpec(title, picture, pairingId, next, proof, machine, copies, notes);
    }

    public DocketSpec withProof(ProofSpec next) {
        return new DocketSpec(title, picture, pairingId, size, next, machine, copies, notes);
    }

    public DocketSpec withMachine(MachineSpec next) {
        return new DocketSpec(title, picture, pairingId, size, proof, next, copies, notes);
    }

    public DocketSpec withTitle(String next) {
        return new DocketSpec(next, picture, pairingId, size, proof, machine, copies, notes);
    }

    /** A pairing brings all that hangs on it: media type, feed, quality, intent. Colour is Wistel's to convert. */
    public DocketSpec withPairing(wistel.core.paper.Pairing pairing) {
        return new DocketSpec(title, picture, pairing.id(), size,
            new ProofSpec(pairing.intent(), proof.blackPoint, proof.view, false),
            new MachineSpec(pairing.mediaType(), pairing.feed(), pairing.quality(), ColourBy.WISTEL), copies, notes);
    }

    /** A fresh docket: nothing chosen, the picture as large as an A4 sheet holds with a border of 20 mm. */
    public static DocketSpec fresh(String title, int widthPx, int heightPx) {
        boolean across = widthPx > heightPx;
        double sheetW = across ? 297 : 210;
        double sheetH = across ? 210 : 297;
        double scale = Math.min((sheetW - 40) / widthPx, (sheetH - 40) / heightPx);
        return new DocketSpec(title, new PictureSpec(false), "",
            new SizeSpec("A4", across, tenth(widthPx * scale), tenth(heightPx * scale), Fit.WHOLE, 0.5, 0.5, Borders.EVEN, Pixels.KEEP, 360, 0),
            new ProofSpec(Intent.RELATIVE, true, ProofView.PAPER_WHITE, false), new MachineSpec("", "", 5, ColourBy.WISTEL), 1, "");
    }

    private static double tenth(double mm) {
        return Math.round(mm * 10) / 10.0;
    }
}
