package wistel.core.docket.costs;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.testng.annotations.Test;
import wistel.core.docket.costs.ReleaseOrder.Needs;

public class ReleaseOrderTest {
    private static int blackChanges(List<Needs> needs, List<Integer> order, String now) {
        int changes = 0;
        String black = now;
        for (int i : order) {
            String wanted = needs.get(i).black().isBlank() ? black : needs.get(i).black();
            changes += wanted.equals(black) ? 0 : 1;
            black = wanted;
        }
        return changes;
    }

    private static int feedChanges(List<Needs> needs, List<Integer> order) {
        int changes = 0;
        for (int i = 1; i < order.size(); i++) {
            changes += needs.get(order.get(i)).feed().equals(needs.get(order.get(i - 1)).feed()) ? 0 : 1;
        }
        return changes;
    }

    private static void permute(List<Integer> left, List<Integer> order, List<List<Integer>> all) {
        if (left.isEmpty()) {
            all.add(List.copyOf(order));
        }
        for (int i = 0; i < left.size(); i++) {
            List<Integer> rest = new ArrayList<>(left);
            order.add(rest.remove(i));
            permute(rest, order, all);
            order.remove(order.size() - 1);
        }
    }

    /** Against all orders of six. */
    @Test
    public void noOrderChangesBlackLessOftenOrWithThatTheFeed() {
        Random random = new Random(7);
        List<List<Integer>> all = new ArrayList<>();
        permute(List.of(0, 1, 2, 3, 4, 5), new ArrayList<>(), all);
        for (int round = 0; round < 60; round++) {
            List<Needs> needs = new ArrayList<>();
            for (int i = 0; i < 6; i++) {
                needs.add(new Needs(List.of("photo", "matte").get(random.nextInt(2)), List.of("rear", "front").get(random.nextInt(2)),
                    "s" + random.nextInt(2)));
            }
            List<Integer> order = ReleaseOrder.of(needs, "matte");
            assertThat(order).containsExactlyInAnyOrder(0, 1, 2, 3, 4, 5);
            int least = all.stream().mapToInt(o -> blackChanges(needs, o, "matte")).min().orElseThrow();
            assertThat(blackChanges(needs, order, "matte")).isEqualTo(least);
            int leastFeeds = all.stream().filter(o -> blackChanges(needs, o, "matte") == least).mapToInt(o -> feedChanges(needs, o)).min()
                .orElseThrow();
            assertThat(feedChanges(needs, order)).as(needs.toString()).isEqualTo(leastFeeds);
        }
    }

    @Test
    public void whatIsAlikeComesAsItStood() {
        Needs one = new Needs("photo", "rear", "A4");
        assertThat(ReleaseOrder.of(List.of(one, one, one), "")).containsExactly(0, 1, 2);
        assertThat(ReleaseOrder.of(List.of(), "photo")).isEmpty();
    }

    @Test
    public void whatAsksForNoBlackGoesWithTheOneThatIsThere() {
        List<Needs> needs = List.of(new Needs("photo", "rear", "A4"), new Needs("", "rear", "A4"), new Needs("matte", "rear", "A4"));
        assertThat(ReleaseOrder.of(needs, "matte")).containsExactly(1, 2, 0);
    }
}
