package wistel.core.fault;

import java.util.Map;

/** Measured data (CGATS, scans) that can't be read or can't be used. */
public final class MeasurementException extends WistelException {
    public enum Reason {
        /** A chart of other colorants than RGB. */
        CHART_OF_INKS,
        /** Too few patches to make a profile of. */
        CHART_TOO_SMALL,
        /** Not CGATS, or not whole. */
        CHART_UNREADABLE,
        /** Too few neutral patches. */
        RAMP_TOO_SHORT,
        /** A reading of another wedge. */
        READING_OF_ANOTHER_WEDGE,
        /** A reading with more or fewer patches than its wedge. */
        READING_OF_ANOTHER_LENGTH,
        /** A reading that is no scale of neutral steps. */
        READING_UNCLEAR,
        /** Corners of the wedge are not on the scan. */
        SCAN_CROPPED,
        /** Bent or coloured beyond use. */
        SCAN_UNCLEAR,
        /** Not a scan in L*a*b*. */
        SCAN_UNREADABLE,
        /** No wedge is to be found on the scan. */
        SCAN_WITHOUT_WEDGE
    }

    private final Reason reason;

    public MeasurementException(Reason reason, String what, String next) {
        this(reason, what, next, Map.of(), null);
    }

    public MeasurementException(Reason reason, String what, String next, Map<String, Object> data) {
        this(reason, what, next, data, null);
    }

    public MeasurementException(Reason reason, String what, String next, Throwable cause) {
        this(reason, what, next, Map.of(), cause);
    }

    private MeasurementException(Reason reason, String what, String next, Map<String, Object> data, Throwable cause) {
        super(code("", reason), what, next, data, cause);
        this.reason = reason;
    }

    public Reason reason() {
        return reason;
    }
}
