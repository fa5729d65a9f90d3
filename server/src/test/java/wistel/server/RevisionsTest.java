package wistel.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import wistel.core.docket.changes.Command;
import wistel.core.docket.changes.DocketCommand;
import wistel.core.docket.changes.PieceCommand;
import wistel.core.docket.spec.DocketSpec;
import wistel.server.docket.DocketRepository;

/** What a docket went through: kept small, and every state of it comes back. */
public class RevisionsTest extends InTestRoom {
    private DocketRepository dockets;

    @BeforeClass
    void dockets() {
        dockets = test.bean(DocketRepository.class);
    }

    private DocketRepository.Row change(DocketRepository.Row d, Command change) {
        dockets.change(d.id(), d.version(), change);
        return dockets.get(d.id());
    }

    private DocketRepository.Row step(DocketRepository.Row d, int direction) {
        dockets.step(d.id(), d.version(), direction);
        return dockets.get(d.id());
    }

    private DocketRepository.Row docket(int seed) throws IOException {
        return dockets.get(
            UUID.fromString(api.drop("steps-" + seed + ".png", PrintingTest.picture(seed)).body().path("docket").path("id").asString()));
    }

    @Test
    public void undoAndRedoGoThroughEveryStateAndOnlyEveryTwentiethIsKeptWhole() throws IOException {
        DocketRepository.Row d = docket(93);
        List<DocketSpec> states = new ArrayList<>(List.of(d.spec()));
        for (int i = 1; i <= 45; i++) {
            d = change(d, i % 3 == 0 ? new DocketCommand.Titled("Step " + i) : new PieceCommand.Framed("i1", 100 + i, 80));
            states.add(d.spec());
        }
        List<String> whole = new ArrayList<>();
        test.query("select revision from docket_revision where spec is not null and docket_id = '" + d.id() + "' order by revision",
            whole::add);
        assertThat(whole).containsExactly("1", "21", "41");
        for (int i = 44; i >= 0; i--) {
            d = step(d, -1);
            assertThat(d.spec()).isEqualTo(states.get(i));
        }
        for (int i = 1; i <= 45; i++) {
            d = step(d, 1);
            assertThat(d.spec()).isEqualTo(states.get(i));
        }
        // a decision after a step back takes the place of what was undone
        for (int i = 0; i < 10; i++) {
            d = step(d, -1);
        }
        d = change(d, new DocketCommand.Copies(7));
        assertThat(d.redo()).isEmpty();
        d = step(d, -1);
        assertThat(d.spec()).isEqualTo(states.get(35));
        assertThat(step(d, 1).spec().copies()).isEqualTo(7);
    }

    @Test
    public void twoHundredStepsAreKeptAndNoLaterOneIsLost() throws IOException {
        DocketRepository.Row d = docket(94);
        for (int i = 1; i <= 250; i++) {
            d = change(d, new DocketCommand.Copies(i % 2 + 1));
        }
        int steps = 0;
        while (d.undo().isPresent()) {
            d = step(d, -1);
            steps++;
        }
        assertThat(steps).isBetween(200, 220);
    }

    /** One that can't be put together any more is told, and the docket stays as it is. */
    @Test
    public void aStepIntoADamagedRevisionIsTold() throws IOException {
        DocketRepository.Row d = change(change(docket(95), new DocketCommand.Copies(2)), new DocketCommand.Copies(3));
        String id = d.id().toString();
        test.sql("update docket_revision set patch = '[{\"op\":\"replace\",\"path\":\"/nowhere/x\",\"value\":1}]' where docket_id = '" + id
            + "' and revision = 2");
        Api.Answer back = api.post("/api/dockets/" + id + "/undo", "", d.version());
        assertThat(back.status()).isEqualTo(422);
        assertThat(back.code()).isEqualTo("docket-unreadable");
        assertThat(api.get("/api/dockets/" + id).body().path("spec").path("copies").asInt()).isEqualTo(3);
    }
}
