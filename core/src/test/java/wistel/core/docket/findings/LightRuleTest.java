package wistel.core.docket.findings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import wistel.core.docket.Dockets;
import wistel.core.docket.changes.DocketCommand;
import wistel.core.docket.spec.DocketSpec;
import wistel.core.docket.words.Readback;
import wistel.core.fault.InvalidRequest;
import wistel.core.light.HangingLight;
import wistel.core.rendition.Compensated;
import wistel.core.rendition.Warmth;

/** A docket that knows the light its print will hang in. */
public class LightRuleTest {
    private static final HangingLight HALL = new HangingLight("the hall", 90, 2700);
    private static final HangingLight OFFICE = new HangingLight("the office", 300.5, 4000);

    private static DocketSpec made(Optional<HangingLight> hangs, boolean on) {
        DocketSpec d = Dockets.ready();
        return d.withLight(hangs).withRendition(d.renditions().get(0)
            .compensated(new Compensated(List.of(new Warmth(2, 0)), Optional.empty(), on, Optional.of(HALL))));
    }

    private static List<Finding> found(DocketSpec d) {
        return new LightRule().check(d, Dockets.facts(), Dockets.facts().layout(d)).toList();
    }

    @Test
    public void movesMadeForOneLightAreToldInAnother() {
        assertThat(found(made(Optional.of(HALL), true))).isEmpty();
        assertThat(found(Dockets.ready().withLight(Optional.of(HALL)))).as("nothing is moved for any light").isEmpty();
        assertThat(found(made(Optional.of(OFFICE), false))).as("switched off").isEmpty();
        Finding other = found(made(Optional.of(OFFICE), true)).get(0);
        assertThat(other.what()).contains("the hall (90 lx)").contains("the office (300.5 lx)");
        assertThat(other.severity()).isEqualTo(Finding.Severity.LOOK);
        Finding none = found(made(Optional.empty(), true)).get(0);
        assertThat(none.what()).contains("no light is chosen");
        assertThat(found(none.fixes().get(0).change().on(made(Optional.empty(), true)))).isEmpty();
    }

    @Test
    public void theReadbackSaysForWhichLight() {
        DocketSpec d = made(Optional.of(HALL), true);
        assertThat(Readback.of(d, Dockets.facts(), Dockets.facts().layout(d))).contains(", for the hall (90 lx)");
        assertThat(new DocketCommand.HangsIn(Optional.of(HALL)).words()).isEqualTo("for the hall (90 lx)");
        assertThat(new DocketCommand.HangsIn(Optional.empty()).on(d).heading().light()).isEmpty();
        assertThat(d.withTitle("Another").heading().light()).contains(HALL);
        assertThatThrownBy(() -> new HangingLight("", 90, 2700)).isInstanceOf(InvalidRequest.class);
        assertThatThrownBy(() -> new HangingLight("x", 0, 2700)).isInstanceOf(InvalidRequest.class);
        assertThatThrownBy(() -> new HangingLight("x", 90, 10)).isInstanceOf(InvalidRequest.class);
    }
}
