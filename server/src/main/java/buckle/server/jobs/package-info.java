/** Jobs, their plans and the list of them. */
@NullMarked
package buckle.server.jobs;

import org.jspecify.annotations.NullMarked;
