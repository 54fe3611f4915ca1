#include "look/language.h"

#include <QCoreApplication>
#include <QDir>
#include <QLibraryInfo>
#include <QLocale>
#include <QTranslator>

namespace lariat {
namespace {

constexpr const char* kFolder = ":/i18n";
constexpr const char* kPrefix = "lariat_";

/// Qt's own words on buttons, which its translations say where they are installed; ours say them elsewhere.
[[maybe_unused]] constexpr const char* kButtons[] = {
    QT_TRANSLATE_NOOP("QPlatformTheme", "OK"),      QT_TRANSLATE_NOOP("QPlatformTheme", "Save"),
    QT_TRANSLATE_NOOP("QPlatformTheme", "Open"),    QT_TRANSLATE_NOOP("QPlatformTheme", "&Yes"),
    QT_TRANSLATE_NOOP("QPlatformTheme", "&No"),     QT_TRANSLATE_NOOP("QPlatformTheme", "Close"),
    QT_TRANSLATE_NOOP("QPlatformTheme", "Cancel"),  QT_TRANSLATE_NOOP("QPlatformTheme", "Discard"),
    QT_TRANSLATE_NOOP("QPlatformTheme", "Apply"),   QT_TRANSLATE_NOOP("QPlatformTheme", "Reset"),
    QT_TRANSLATE_NOOP("QPlatformTheme", "Save All")};

} // namespace

QStringList languages() {
    QStringList codes = {QStringLiteral("en")};
    for (const QString& file :
         QDir(QLatin1String(kFolder)).entryList({QLatin1String(kPrefix) + QStringLiteral("*.qm")}))
        if (const QString code = file.mid(7).section(QLatin1Char('.'), 0, 0); !codes.contains(code)) codes << code;
    return codes;
}

void speak(const QString& code) {
    const QLocale locale = code.isEmpty() ? QLocale::system() : QLocale(code);
    auto* ours = new QTranslator(QCoreApplication::instance());
    // English has a file too, with the plurals alone.
    if (!ours->load(locale, QStringLiteral("lariat"), QStringLiteral("_"), QLatin1String(kFolder)) &&
        !ours->load(QLocale(QLocale::English), QStringLiteral("lariat"), QStringLiteral("_"), QLatin1String(kFolder)))
        return;
    QCoreApplication::installTranslator(ours);
    // Qt's own words, "OK" and "Cancel", where they are installed.
    auto* theirs = new QTranslator(QCoreApplication::instance());
    if (theirs->load(locale, QStringLiteral("qtbase"), QStringLiteral("_"),
                     QLibraryInfo::path(QLibraryInfo::TranslationsPath)))
        QCoreApplication::installTranslator(theirs);
}

} // namespace lariat
