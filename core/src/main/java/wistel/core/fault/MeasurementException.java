package wistel.core.fault;

import java.util.Map;

/** Measured data (CGATS, scans) that can't be read or can't be used. */
public final class MeasurementException extends WistelException {
    public MeasurementException(String code, String what, String next) {
        super(code, what, next, Map.of(), null);
    }

    public MeasurementException(String code, String what, String next, Map<String, Object> data) {
        super(code, what, next, data, null);
    }

    public MeasurementException(String code, String what, String next, Throwable cause) {
        super(code, what, next, Map.of(), cause);
    }
}
