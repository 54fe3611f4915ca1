// Text of the core for Qt, in the user's language where it has one.
#pragma once

#include "findings/sentence.h"

#include <QCoreApplication>
#include <QString>

#include <string>

namespace lariat {

/// UTF-8 to QString; short, because nearly every label needs it.
inline QString q(const std::string& text) {
    return QString::fromStdString(text);
}

/// A sentence of the core in the user's language.
inline QString said(const Sentence& sentence) {
    const QString pattern = QCoreApplication::translate("core", sentence.pattern.c_str());
    return q(fillIn(pattern.toStdString(), sentence.parts));
}

} // namespace lariat
