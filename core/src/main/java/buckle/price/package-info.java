/** From counts to money: allowances, packs, hours, cost and the price a client is asked. */
@NullMarked
package buckle.price;

import org.jspecify.annotations.NullMarked;
