#include "print/bookmarks.h"

#include <algorithm>
#include <memory>

#include <qpdf/qpdf-c.h>

namespace lariat {
namespace {

struct Close {
    void operator()(_qpdf_data* data) const { qpdf_cleanup(&data); }
};
using Document = std::unique_ptr<_qpdf_data, Close>;

/// Puts the tree of bookmarks into a document. Its library keeps a fault until it is asked for, so that it is looked
/// for once, in the end.
class Outlines {
  public:
    explicit Outlines(qpdf_data document) : d_(document) {}

    void put(const std::vector<Bookmark>& marks) {
        const qpdf_oh root = indirect();
        qpdf_oh_replace_key(d_, root, "/Type", qpdf_oh_new_name(d_, "/Outlines"));
        std::vector<qpdf_oh> top;
        std::vector<std::vector<qpdf_oh>> below;
        for (const Bookmark& mark : marks) {
            const qpdf_oh item = indirect();
            qpdf_oh_replace_key(d_, item, "/Title", qpdf_oh_new_unicode_string(d_, mark.text.c_str()));
            qpdf_oh_replace_key(d_, item, "/Dest", place(mark));
            if (mark.under && !top.empty()) {
                below.back().push_back(item);
            } else {
                top.push_back(item);
                below.emplace_back();
            }
        }
        // A negative count: folded until somebody opens it.
        for (std::size_t i = 0; i < top.size(); ++i) hang(top[i], below[i], -static_cast<int>(below[i].size()));
        hang(root, top, static_cast<int>(top.size()));
        qpdf_oh_replace_key(d_, qpdf_get_root(d_), "/Outlines", root);
    }

  private:
    qpdf_oh indirect() { return qpdf_make_indirect_object(d_, qpdf_oh_new_dictionary(d_)); }

    /// Where a page shows that height: PDF counts up from the foot.
    qpdf_oh place(const Bookmark& mark) {
        const int pages = std::max(1, qpdf_get_num_pages(d_));
        const qpdf_oh page = qpdf_get_page_n(d_, static_cast<std::size_t>(std::clamp(mark.page, 1, pages) - 1));
        const qpdf_oh box = qpdf_oh_get_key(d_, page, "/MediaBox");
        const double height = qpdf_oh_get_numeric_value(d_, qpdf_oh_get_array_item(d_, box, 3));
        const qpdf_oh out = qpdf_oh_new_array(d_);
        for (const qpdf_oh part :
             {page, qpdf_oh_new_name(d_, "/XYZ"), qpdf_oh_new_null(d_),
              qpdf_oh_new_real_from_double(d_, height * (1.0 - mark.down), 1), qpdf_oh_new_null(d_)})
            qpdf_oh_append_item(d_, out, part);
        return out;
    }

    /// Hangs a row of siblings under their parent, who is told how many lines are shown below it.
    void hang(qpdf_oh parent, const std::vector<qpdf_oh>& row, int shown) {
        for (std::size_t i = 0; i < row.size(); ++i) {
            qpdf_oh_replace_key(d_, row[i], "/Parent", parent);
            if (i > 0) qpdf_oh_replace_key(d_, row[i], "/Prev", row[i - 1]);
            if (i + 1 < row.size()) qpdf_oh_replace_key(d_, row[i], "/Next", row[i + 1]);
        }
        if (row.empty()) return;
        qpdf_oh_replace_key(d_, parent, "/First", row.front());
        qpdf_oh_replace_key(d_, parent, "/Last", row.back());
        qpdf_oh_replace_key(d_, parent, "/Count", qpdf_oh_new_integer(d_, shown));
    }

    qpdf_data d_;
};

} // namespace

Result<std::string> withBookmarks(std::string_view pdf, const std::vector<Bookmark>& marks) {
    if (marks.empty()) return std::string(pdf);
    const Document document(qpdf_init());
    qpdf_data d = document.get();
    qpdf_silence_errors(d);
    qpdf_set_suppress_warnings(d, QPDF_TRUE);
    if (qpdf_read_memory(d, "sheet", pdf.data(), pdf.size(), nullptr) < QPDF_ERRORS) {
        Outlines(d).put(marks);
        qpdf_init_write_memory(d);
        qpdf_set_deterministic_ID(d, QPDF_TRUE);
        qpdf_write(d);
    }
    if (qpdf_has_error(d))
        return failure(say("the PDF cannot have bookmarks: {}", qpdf_get_error_full_text(d, qpdf_get_error(d))));
    const auto* bytes = reinterpret_cast<const char*>(qpdf_get_buffer(d));
    return bytes ? std::string(bytes, qpdf_get_buffer_length(d)) : std::string(pdf);
}

} // namespace lariat
