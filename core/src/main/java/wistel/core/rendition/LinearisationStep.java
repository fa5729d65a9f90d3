package wistel.core.rendition;

import java.util.List;
import java.util.stream.IntStream;
import wistel.core.colour.MonotoneCubic;
import wistel.core.icc.stage.LabFunction;
import wistel.core.rendition.LightnessCurve.TonePoint;
import wistel.core.tone.ToneCurve;

/** What straightens a monochrome mode's tones: lightness to lightness, the last thing that happens to a colour before it is converted. */
public record LinearisationStep(List<TonePoint> points) {
    public LinearisationStep {
        points = List.copyOf(points);
    }

    /** As it is printed: depths, from paper to black, become lightnesses from black to paper. */
    public static LinearisationStep of(ToneCurve curve) {
        List<ToneCurve.Point> points = curve.points();
        return new LinearisationStep(IntStream.rangeClosed(-1, points.size()).mapToObj(i -> {
            int nth = points.size() - 1 - i;
            double wanted = nth < 0 ? 0 : nth == points.size() ? 1 : points.get(nth).wanted();
            double sent = nth < 0 ? 0 : nth == points.size() ? 1 : points.get(nth).sent();
            return new TonePoint(100 * (1 - wanted), 100 * (1 - sent));
        }).toList());
    }

    LabFunction function() {
        MonotoneCubic curve = new MonotoneCubic(points.stream().mapToDouble(TonePoint::from).toArray(),
            points.stream().mapToDouble(TonePoint::to).toArray());
        return (lab, at) -> lab[at] = curve.at(lab[at]);
    }
}
