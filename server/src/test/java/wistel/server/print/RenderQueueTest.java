package wistel.server.print;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.testng.annotations.Test;

/** Which page is made next, for a printer whose attempts stand in the order of release. */
public class RenderQueueTest {
    private static final String MADE = "m";
    private static final String WANTED = "w";
    private static final String SENT = "s";
    private static final String FAILED = "f";

    private static AttemptPage page(int number, String how) {
        AttemptState state = how.equals(FAILED) ? AttemptState.FAILED : how.equals(SENT) ? AttemptState.PRINTING : AttemptState.WAITING;
        return new AttemptPage(number, state, "", 0, Optional.of("hash").filter(h -> !how.equals(WANTED)), true,
            Optional.of(7).filter(j -> how.equals(SENT)), how.equals(SENT), 0, Optional.empty(),
            Optional.empty(), Optional.empty(), true, List.of("i1"), Optional.empty(), Optional.empty());
    }

    private static Attempt attempt(String title, boolean held, boolean cancelled, String... pages) {
        List<AttemptPage> made = new ArrayList<>();
        for (String how : pages) {
            made.add(page(made.size() + 1, how));
        }
        return new Attempt(UUID.randomUUID(), UUID.randomUUID(), 1, 1, UUID.randomUUID(), "", "", "", title, "", "", "",
            AttemptState.WAITING, "", 0, cancelled, made, "", "",
            Instant.EPOCH, Optional.empty(), false, held, Optional.empty(), List.of(), "", "");
    }

    private static String next(Attempt... running) {
        return RenderQueue.next(List.of(running), p -> p.fileHash().isPresent()).map(n -> n.attempt().title() + n.page().page())
            .orElse("none");
    }

    private static Attempt of(String title, String... pages) {
        return attempt(title, false, false, pages);
    }

    @Test
    public void pagesAreMadeInTheOrderOfRelease() {
        assertThat(next(of("a", WANTED, WANTED), of("b", WANTED))).isEqualTo("a1");
        assertThat(next(of("a", SENT, WANTED), of("b", WANTED))).as("while a page of a set prints, its next is made").isEqualTo("a2");
        assertThat(next(of("a", SENT, MADE), of("b", WANTED))).isEqualTo("b1");
        assertThat(next(of("a", SENT, SENT))).isEqualTo("none");
    }

    @Test
    public void atMostTwoAreMadeAheadOfWhatWasSent() {
        assertThat(next(of("a", MADE), of("b", MADE), of("c", WANTED))).isEqualTo("none");
        assertThat(next(of("a", SENT), of("b", MADE), of("c", WANTED))).isEqualTo("c1");
        assertThat(next(of("a", SENT, MADE, MADE, WANTED))).isEqualTo("none");
    }

    @Test
    public void whatWaitsForAWordOrIsGivenUpHoldsNobodyUp() {
        assertThat(next(attempt("a", true, false, MADE, MADE, MADE), of("b", WANTED))).isEqualTo("b1");
        assertThat(next(attempt("a", false, true, WANTED), of("b", WANTED))).isEqualTo("b1");
        assertThat(next(of("a", FAILED, WANTED), of("b", WANTED))).isEqualTo("b1");
    }
}
