/** Price books as tables: CSV and XLSX in and out. */
@NullMarked
package buckle.exchange.prices;

import org.jspecify.annotations.NullMarked;
