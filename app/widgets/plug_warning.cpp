#include "widgets/plug_warning.h"

#include "building/breaks.h"
#include "library/tie.h"
#include "look/text.h"

#include <QStringList>

namespace lariat {

QString plugWarning(const Patch& patch, const Library& library, const JackRef& from, const JackRef& to) {
    QStringList warnings;
    const auto name = [&](const JackRef& jack) { return q(tieName(jack, patch, library)); };
    if (!to.post.empty())
        for (const BrokenNormal& broken : brokenBy(patch, library, to))
            warnings << QObject::tr("Breaks the wire behind the panel from %1 to %2.")
                            .arg(name(broken.from), name(broken.to));
    if (!from.post.empty())
        for (const LostChannel& lost : cascadeBrokenBy(patch, library, from))
            warnings << QObject::tr("Takes %1 out of %2.").arg(name(lost.channel), name(lost.from));
    return warnings.join(QLatin1Char(' '));
}

} // namespace lariat
