package buckle.exchange.stock;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import buckle.exchange.Demo;
import buckle.exchange.paper.CutListPdf;
import buckle.exchange.paper.Paper;
import buckle.exchange.stock.CutSheets.CutAnswer;
import buckle.exchange.stock.CutSheets.CutBar;
import buckle.exchange.stock.CutSheets.CutPiece;
import buckle.exchange.stock.CutSheets.CutSheet;
import buckle.stock.CutList.Aim;
import buckle.units.UnitSystem;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A cut list outside Buckle: as CSV, as a workbook, on paper. */
class CutSheetsTest {
    private static final CutAnswer ANSWER = new CutAnswer(
            "USD",
            List.of(
                    new CutSheet(
                            "post.timber-90",
                            "timber post, 90 mm",
                            List.of(
                                    new CutBar("=Rack", true, 2.4, 3, List.of(new CutPiece("line post", 1.8, 1)), 0.6),
                                    new CutBar("P-3600", false, 3.6, 5, List.of(new CutPiece("line post", 1.8, 2)), 0)),
                            new BigDecimal("45.00"),
                            Optional.of(new BigDecimal("45.00")),
                            true,
                            0,
                            Optional.of(new BigDecimal("60.00")),
                            OptionalInt.empty(),
                            1.8),
                    new CutSheet(
                            "wire.ht-12-5",
                            "high-tensile steel, 2.5 mm",
                            List.of(new CutBar("W-1", false, 400, 1, List.of(new CutPiece("Ring, joined", 400, 1)), 0)),
                            new BigDecimal("80.00"),
                            Optional.of(new BigDecimal("80.00")),
                            true,
                            0,
                            Optional.empty(),
                            OptionalInt.of(1),
                            0)),
            List.of("rail: 9 m"));

    @TempDir
    Path folder;

    /** Five bars of 3.6 m and a coil of 400 m are bought; what lies in the yard is not. */
    @Test
    void libreOfficeComesToTheSameSum() throws Exception {
        Files.write(folder.resolve("cuts.xlsx"), CutSheets.xlsx(ANSWER));
        Demo.recalculated(folder, "cuts.xlsx");
        List<String> rows = Files.readAllLines(folder.resolve("cuts-Cuts.csv"));
        assertThat(rows).hasSize(5);
        assertThat(Double.parseDouble(rows.getLast().replaceAll("[^0-9.]", ""))).isCloseTo(418, within(1e-6));
        String csv = new String(CutSheets.csv(ANSWER), StandardCharsets.UTF_8);
        assertThat(csv.lines()).hasSize(4);
        assertThat(csv).contains("'=Rack", "2 x 1.800").doesNotContain(",=Rack");
    }

    @Test
    void onPaper() throws Exception {
        for (Paper paper : Paper.values()) {
            Path pdf = folder.resolve(paper + ".pdf");
            Files.write(
                    pdf,
                    CutListPdf.write(
                            new CutListPdf.Heading("Ring", "Orchard", "Hollow", Aim.FEWEST_JOINTS),
                            ANSWER,
                            UnitSystem.METRIC,
                            paper));
            Process read = new ProcessBuilder("pdftotext", "-layout", pdf.toString(), "-").start();
            String text =
                    new String(read.getInputStream().readAllBytes(), StandardCharsets.UTF_8).replaceAll("\\s+", " ");
            assertThat(read.waitFor()).isZero();
            assertThat(text)
                    .contains("with the fewest joints", "Timber post, 90 mm", "=Rack", "to buy, P-3600", "1 joint")
                    .contains("Nothing as long is sold or lies in the yard: rail: 9 m");
        }
    }
}
