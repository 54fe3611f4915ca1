#include "print/pdf.h"

#include "look/fonts.h"
#include "look/look.h"
#include "look/text.h"
#include "model/file.h"
#include "print/painting.h"
#include "print/plot_picture.h"
#include "print/sheet_printer.h"

#include <QBuffer>
#include <QPageLayout>
#include <QPageSize>
#include <QPainter>
#include <QPdfWriter>

#include <algorithm>
#include <memory>

#include <poppler-document.h>
#include <poppler-embedded-file.h>
#include <poppler-global.h>

namespace lariat {
namespace {

constexpr std::size_t kMostPages = 64; ///< that a preview shows
constexpr qreal kChartWidth = 1200;
constexpr QSize kAnswerInHtml(1000, 520);

} // namespace

std::vector<QImage> drawPages(const Sheet& sheet, const SheetSettings& settings) {
    const QSize size = pageSize(settings);
    std::vector<QImage> pages;
    QPainter painter;
    const auto turn = [&] {
        if (painter.isActive()) painter.end();
        pages.emplace_back(size, QImage::Format_RGB32);
        pages.back().fill(Qt::white);
        painter.begin(&pages.back());
        painter.setRenderHint(QPainter::Antialiasing);
    };
    pages.reserve(kMostPages); // the painter holds on to the page it draws
    turn();
    printSheet(sheet, settings, painter, size, [&] {
        if (pages.size() < kMostPages)
            turn();
        else
            painter.resetTransform();
    });
    painter.end();
    return pages;
}

Result<void> writePdf(const Sheet& sheet, const SheetSettings& settings, const std::string& bundle,
                      const std::filesystem::path& file) {
    const auto application = applicationForPainting();
    QBuffer buffer;
    buffer.open(QIODevice::WriteOnly);
    std::vector<Bookmark> headings;
    {
        QPdfWriter writer(&buffer);
        const QPageSize::PageSizeId paper = settings.paper == Paper::A5       ? QPageSize::A5
                                            : settings.paper == Paper::Letter ? QPageSize::Letter
                                                                              : QPageSize::A4;
        writer.setPageLayout(QPageLayout(QPageSize(paper),
                                         settings.landscape ? QPageLayout::Landscape : QPageLayout::Portrait,
                                         QMarginsF(0, 0, 0, 0)));
        writer.setResolution(kSheetDpi);
        writer.setTitle(q(sheet.title));
        writer.setCreator(QStringLiteral("Lariat"));
        if (!bundle.empty())
            writer.addFileAttachment(QString::fromLatin1(kCarriedName),
                                     QByteArray(bundle.data(), static_cast<qsizetype>(bundle.size())),
                                     QStringLiteral("application/zip"));
        QPainter painter(&writer);
        headings = printSheet(sheet, settings, painter, QSizeF(writer.width(), writer.height()), [&] {
            writer.newPage();
            painter.resetTransform();
        });
    }
    const std::string_view plain(buffer.data().constData(), static_cast<std::size_t>(buffer.data().size()));
    return withBookmarks(plain, headings).and_then([&](const std::string& bytes) {
        return writeFile(file, bytes, FileKind::Pdf);
    });
}

std::string writeSvg(const Sheet& sheet, const SheetSettings& settings, const std::string& carried) {
    const auto application = applicationForPainting();
    const QSize page = pageSize(settings);
    int pages = 1;
    QImage nothing(1, 1, QImage::Format_RGB32);
    {
        QPainter counting(&nothing);
        printSheet(sheet, settings, counting, page, [&] {
            ++pages;
            counting.resetTransform();
        });
    }
    std::string out = svgOf(QSize(page.width(), page.height() * pages), q(sheet.title), [&](QPainter& painter) {
        painter.fillRect(QRect(0, 0, page.width(), page.height() * pages), Qt::white);
        int at = 0;
        printSheet(sheet, settings, painter, page, [&] {
            painter.resetTransform();
            painter.translate(0, page.height() * ++at);
        });
    });
    if (const auto end = out.rfind("</svg>"); end != std::string::npos && !carried.empty()) out.insert(end, carried);
    return out;
}

std::string chartSvg(const Sheet& sheet, const SheetSettings& settings) {
    if (sheet.rows.empty()) return {};
    const auto application = applicationForPainting();
    QImage nothing(1, 1, QImage::Format_RGB32);
    qreal height = 0;
    {
        QPainter measuring(&nothing);
        height = printChart(sheet, settings, measuring, kChartWidth);
    }
    std::string out = svgOf(QSize(static_cast<int>(kChartWidth), static_cast<int>(height) + 1), q(sheet.title),
                            [&](QPainter& painter) { printChart(sheet, settings, painter, kChartWidth); });
    if (const auto begin = out.find("<svg"); begin != std::string::npos) out.erase(0, begin); // to stand within HTML
    return out;
}

std::string sheetHtml(const Sheet& sheet, const SheetSettings& settings, const std::string& carried) {
    HtmlParts parts{chartSvg(sheet, settings), {}, carried};
    for (const SheetAnswer& one : sheet.answers) {
        parts.answers.emplace_back();
        if (!one.answer || !settings.has(SheetPart::Answers)) continue;
        std::string picture = answerSvg(*one.answer, onPaper(), kAnswerInHtml);
        if (const auto begin = picture.find("<svg"); begin != std::string::npos) picture.erase(0, begin);
        parts.answers.back() = std::move(picture);
    }
    return writeHtml(sheet, settings, parts);
}

Result<std::string> attachedTo(std::string_view pdf) {
    if (!pdf.starts_with("%PDF")) return failure(say("is no PDF"));
    poppler::set_debug_error_function([](const std::string&, void*) {}, nullptr); // what is wrong is said here
    const std::unique_ptr<poppler::document> document(poppler::document::load_from_raw_data(
        pdf.data(), static_cast<int>(std::min<std::size_t>(pdf.size(), 1U << 30))));
    if (!document || document->is_locked()) return failure(say("the PDF is damaged or locked"));
    if (!document->has_embedded_files()) return std::string();
    for (const poppler::embedded_file* one : document->embedded_files()) {
        if (!one || !one->is_valid() || one->name() != kCarriedName) continue;
        const poppler::byte_array data = one->data();
        return std::string(data.begin(), data.end());
    }
    return std::string();
}

} // namespace lariat
