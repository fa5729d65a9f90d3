package wistel.server.store;

import static org.assertj.core.api.Assertions.assertThat;

import org.testng.annotations.Test;
import tools.jackson.databind.json.JsonMapper;
import wistel.core.printer.MediaRow;
import wistel.core.printer.PrinterDescription;

/** What earlier versions wrote, as it is read now. */
public class StoredSpecsTest {
    private static final StoredSpecs SPECS = new StoredSpecs(new Json(mapper()));

    private static JsonMapper mapper() {
        JsonMapper.Builder builder = JsonMapper.builder();
        new Json.Setup().sumsByKind().customize(builder);
        return builder.build();
    }

    @Test
    public void aDescriptionOfListsIsReadAsSettings() {
        PrinterDescription d = SPECS.description("""
            {"model":"Old","media":[{"type":"glossy","feed":"rear","widthMm":{"from":210,"to":210},"lengthMm":{"from":297,"to":297},"margins":{"top":3,"right":3,"bottom":14,"left":3}}],
            "mediaTypes":["glossy"],"feeds":["rear"],"qualities":[3,5],"resolutions":[360],"rasters":["device3_16"],"formats":["image/pwg-raster"],"colourModes":["color"],"intents":[],
            "overEdgesMm":[0,2.5]}""");
        assertThat(d.mediaTypes()).containsExactly("glossy");
        assertThat(d.qualities()).containsExactly(3, 5);
        assertThat(d.overEdgesMm()).containsExactly(0.0, 2.5);
        assertThat(d.media().get(0).thicknessMm()).isEqualTo(MediaRow.ANY_THICKNESS);
        assertThat(d.constraints()).isEmpty();
    }
}
