package wistel.core.fault;

import java.util.Map;

/** Something a person or a program asked for that can't be as it was put: a value that is out of range or can't be understood. */
public final class InvalidRequest extends WistelException {
    public enum Reason {
        /** A printer's address. */
        ADDRESS_UNCLEAR,
        /** Points that make no curve. */
        CURVE_UNCLEAR,
        /** More patches than the sheet holds. */
        CHART_TOO_LARGE,
        /** A body stopped coming. */
        UPLOAD_STALLED,
        /** An SVG that is none, or holds what isn't drawn. */
        DRAWING_UNFIT,
        /** A folder that can't be watched. */
        FOLDER_UNFIT,
        /** More bytes than are taken. */
        FILE_TOO_LARGE,
        /** Not a length. */
        LENGTH_UNCLEAR,
        /** A file without a name. */
        NAME_MISSING,
        /** Too short or too long a name. */
        NAME_OUT_OF_RANGE,
        /** Another of its kind is called so. */
        NAME_TAKEN,
        /** A number outside of its range. */
        OUT_OF_RANGE,
        /** A page that an attempt doesn't have. */
        PAGE_UNKNOWN,
        /** A piece was put over another one. */
        PIECES_OVERLAP,
        /** What is to be printed together is for different papers. */
        PAIRING_DIFFERS,
        /** No paper is chosen yet. */
        PAIRING_MISSING,
        /** A change of another sheet plan than the docket's. */
        PLAN_DIFFERS,
        /** Not a number of pixels per inch. */
        PPI_UNCLEAR,
        /** A picture that is not on the docket. */
        RENDITION_UNKNOWN,
        /** A piece that is not on the docket. */
        ITEM_UNKNOWN,
        /** Printer settings longer than IPP allows. */
        SETTINGS_UNCLEAR,
        /** A sheet that can't be. */
        SHEET_OUT_OF_RANGE,
        /** Lightnesses outside of 0 to 100. */
        SLICES_OUT_OF_RANGE,
        /** Too short or too long a text. */
        TEXT_OUT_OF_RANGE,
        /** Not one of the verdicts. */
        VERDICT_UNCLEAR,
        /** No version in If-Match. */
        VERSION_UNCLEAR,
        /** A request that can't be read as what is asked for at its address. */
        REQUEST_UNCLEAR,
        /** It comes from a page or for a host that is not Wistel's. */
        FOREIGN
    }

    private final Reason reason;

    public InvalidRequest(Reason reason, String what, String next) {
        this(reason, what, next, Map.of());
    }

    public InvalidRequest(Reason reason, String what, String next, Map<String, Object> data) {
        super(code("", reason), what, next, data, null);
        this.reason = reason;
    }

    public Reason reason() {
        return reason;
    }

    /**
     * A name as it is kept, without blanks at its ends.
     *
     * @param whose "A printer's name"
     * @throws InvalidRequest when there is nothing to read in it, or too much
     */
    public static String named(String text, String whose, int longest) {
        if (text.isBlank() || text.length() > longest) {
            throw new InvalidRequest(Reason.NAME_OUT_OF_RANGE, whose + " has 1 to " + longest + " characters.", "Write another one.");
        }
        return text.strip();
    }
}
