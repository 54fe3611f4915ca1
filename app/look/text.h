// Text of the core for Qt, in the user's language where it has one.
#pragma once

#include "model/result.h"

#include <QCoreApplication>
#include <QString>
#include <QStringList>

#include <string>
#include <vector>

namespace lariat {

/// UTF-8 to QString; short, because nearly every label needs it.
inline QString q(const std::string& text) {
    return QString::fromStdString(text);
}

/// A sentence of the core in the user's language.
inline QString said(const Sentence& sentence) {
    if (sentence.empty()) return {};
    QString text;
    for (const Sentence& outer : sentence.where) text += said(outer) + QStringLiteral(": ");
    const QString pattern = QCoreApplication::translate("core", sentence.pattern.c_str());
    return text + q(fillIn(pattern.toStdString(), sentence.parts));
}

/// Says sentences of the core so, to those who write more than one of them.
inline Speaker inWindow() {
    return [](const Sentence& sentence) { return said(sentence).toStdString(); };
}

/// What went wrong, with the file and the place in it.
inline QString said(const Error& error) {
    QString text;
    for (const std::string& where : {error.file, error.path})
        if (!where.empty()) text += q(where) + QStringLiteral(": ");
    return text + said(error.reason);
}

/// Several of them in one line.
inline QString said(const std::vector<Sentence>& sentences) {
    QStringList texts;
    for (const Sentence& sentence : sentences) texts << said(sentence);
    return texts.join(QStringLiteral(" · "));
}

} // namespace lariat
