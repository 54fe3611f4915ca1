<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE TS>
<TS version="2.1" language="en" sourcelanguage="en">
    <context>
        <name>lariat::BuildingActions</name>
        <message numerus="yes">
            <source> – %n cable(s)</source>
            <translation>
                <numerusform> – %n cable</numerusform>
                <numerusform> – %n cables</numerusform>
            </translation>
        </message>
    </context>
    <context>
        <name>lariat::Chart</name>
        <message numerus="yes">
            <source>  (%n row(s))</source>
            <translation>
                <numerusform>  (%n row)</numerusform>
                <numerusform>  (%n rows)</numerusform>
            </translation>
        </message>
    </context>
    <context>
        <name>lariat::MainWindow</name>
        <message numerus="yes">
            <source>%n cable(s)</source>
            <translation>
                <numerusform>%n cable</numerusform>
                <numerusform>%n cables</numerusform>
            </translation>
        </message>
    </context>
</TS>
