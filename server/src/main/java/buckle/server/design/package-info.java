/** What is asked of a plan: layout, takeoff, pulse; nothing here is stored. */
@NullMarked
package buckle.server.design;

import org.jspecify.annotations.NullMarked;
