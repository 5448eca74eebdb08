package buckle.search;

import java.util.List;

/**
 * Something is hidden in one of many cells. What is known of it is a weight for each hypothesis; a check tells more, and looking a cell
 * over finds it if it is there.
 *
 * @param walkMinutes between positions
 * @param weight by hypothesis; they add up to 1
 * @param cellOf the cell of each hypothesis; -1 of one that nobody has to walk to
 * @param checks each may be made once
 */
public record SearchProblem(
        double[][] walkMinutes, List<Cell> cells, double[] weight, int[] cellOf, List<Check> checks) {
    public SearchProblem {
        cells = List.copyOf(cells);
        checks = List.copyOf(checks);
    }

    /**
     * @param from position at its one end, {@code to} at its other
     * @param minutes to look it over
     * @param next the cell that goes on from its end {@code to}; -1 where it does not go on
     */
    public record Cell(int from, int to, double minutes, int next) {}

    /**
     * @param chance of each outcome under each hypothesis; over all outcomes they add up to 1
     */
    public record Check(int at, double minutes, double[][] chance) {}
}
