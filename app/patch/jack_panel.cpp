#include "patch/jack_panel.h"

#include "library/meaning.h"
#include "look/fonts.h"
#include "look/text.h"
#include "widgets/jack_row.h"
#include "widgets/jack_state.h"

#include <QLabel>
#include <QVBoxLayout>

#include <algorithm>

namespace lariat {

JackPanel::JackPanel(const Session& session, const Post& post, const JackRef& pending, QWidget* parent)
    : QWidget(parent) {
    const PartInfo& part = *session.document.library().part(post);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    const auto list = [&](bool outputs, const QString& heading) {
        if (std::ranges::none_of(part.jacks, [&](const JackInfo& jack) { return jack.output == outputs; })) return;
        auto* label = new QLabel(heading);
        label->setFont(textFont(14, true));
        label->setContentsMargins(0, 8, 0, 2);
        layout->addWidget(label);
        for (const JackInfo& jack : part.jacks) {
            if (jack.output != outputs) continue;
            const JackRef ref{post.id, jack.id};
            const JackState state =
                jackState(ref, session.document.patch(), session.document.library(), session.sound.engine().normals());
            auto* row =
                new JackRow(ref, jack.kind, q(jackWord(session.document.patch(), session.document.library(), ref)),
                            state.text, state.used);
            row->setObjectName(QStringLiteral("jack-") + q(jack.id));
            row->setChecked(pending == ref);
            connect(row, &QAbstractButton::clicked, this, [this, ref] { Q_EMIT picked(ref); });
            layout->addWidget(row);
        }
    };
    list(false, tr("Inputs"));
    list(true, tr("Outputs"));
}

} // namespace lariat
