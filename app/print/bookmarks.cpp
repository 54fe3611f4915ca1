#include "print/bookmarks.h"

#include <algorithm>
#include <exception>

#define POINTERHOLDER_TRANSITION 4 // the library wants to be told which pointers are meant
#include <qpdf/Buffer.hh>
#include <qpdf/QPDF.hh>
#include <qpdf/QPDFObjectHandle.hh>
#include <qpdf/QPDFWriter.hh>

namespace lariat {
namespace {

using Object = QPDFObjectHandle;

/// Where a page shows that height: PDF counts up from the foot.
Object placeOn(const Object& page, double down) {
    Object box = Object(page).getKey("/MediaBox");
    const double height = box.isArray() && box.getArrayNItems() == 4 ? box.getArrayItem(3).getNumericValue() : 0.0;
    Object out = Object::newArray();
    out.appendItem(page);
    out.appendItem(Object::newName("/XYZ"));
    out.appendItem(Object::newNull());
    out.appendItem(Object::newReal(height * (1.0 - down), 1));
    out.appendItem(Object::newNull());
    return out;
}

/// Hangs a row of siblings under their parent, who is told how many lines are shown below it.
void hang(Object& parent, std::vector<Object>& row, int shown) {
    for (std::size_t i = 0; i < row.size(); ++i) {
        row[i].replaceKey("/Parent", parent);
        if (i > 0) row[i].replaceKey("/Prev", row[i - 1]);
        if (i + 1 < row.size()) row[i].replaceKey("/Next", row[i + 1]);
    }
    if (row.empty()) return;
    parent.replaceKey("/First", row.front());
    parent.replaceKey("/Last", row.back());
    parent.replaceKey("/Count", Object::newInteger(shown));
}

} // namespace

Result<std::string> withBookmarks(std::string_view pdf, const std::vector<Bookmark>& marks) {
    if (marks.empty()) return std::string(pdf);
    try {
        QPDF document;
        document.setSuppressWarnings(true);
        document.processMemoryFile("sheet", pdf.data(), pdf.size());
        const std::vector<Object>& pages = document.getAllPages();
        Object outlines = document.makeIndirectObject(Object::newDictionary());
        outlines.replaceKey("/Type", Object::newName("/Outlines"));
        std::vector<Object> top;
        std::vector<std::vector<Object>> below;
        for (const Bookmark& mark : marks) {
            Object item = document.makeIndirectObject(Object::newDictionary());
            item.replaceKey("/Title", Object::newUnicodeString(mark.text));
            const auto page = static_cast<std::size_t>(std::clamp(mark.page, 1, static_cast<int>(pages.size())) - 1);
            item.replaceKey("/Dest", placeOn(pages.at(page), mark.down));
            if (mark.under && !top.empty()) {
                below.back().push_back(item);
            } else {
                top.push_back(item);
                below.emplace_back();
            }
        }
        for (std::size_t i = 0; i < top.size(); ++i) hang(top[i], below[i], -static_cast<int>(below[i].size()));
        hang(outlines, top, static_cast<int>(top.size()));
        document.getRoot().replaceKey("/Outlines", outlines);
        QPDFWriter writer(document);
        writer.setOutputMemory();
        writer.setDeterministicID(true);
        writer.write();
        const auto bytes = writer.getBufferSharedPointer();
        return std::string(reinterpret_cast<const char*>(bytes->getBuffer()), bytes->getSize());
    } catch (const std::exception& problem) {
        return failure(say("the PDF cannot have bookmarks: {}", problem.what()));
    }
}

} // namespace lariat
