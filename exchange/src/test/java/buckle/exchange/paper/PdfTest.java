package buckle.exchange.paper;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import buckle.task.Cancellation;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import org.junit.jupiter.api.Test;

class PdfTest {
    private static final String PAGE = "<html><body><p>corner post, 12.5 m to the oak</p></body></html>";

    @Test
    void stopsWhileItIsLaidOutWhenNobodyWaitsAnyMore() {
        Thread.currentThread().interrupt();
        try {
            assertThatThrownBy(() -> Pdf.render(PAGE, Map.of())).isInstanceOf(Cancellation.Cancelled.class);
        } finally {
            assertThat(Thread.interrupted()).isTrue();
        }
        assertThat(new String(Pdf.render(PAGE, Map.of()), 0, 5, StandardCharsets.ISO_8859_1))
                .isEqualTo("%PDF-");
    }
}
