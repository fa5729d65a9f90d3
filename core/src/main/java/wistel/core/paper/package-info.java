/** Papers: what they are, their named sheet sizes, and the stock that lies there. How work lies on them is {@code sheet}'s. */
package wistel.core.paper;
