namespace Yardang.Core.Media;

/// <summary>The files that may be shown beside words, opened elsewhere. The numbers are on the wire.</summary>
public enum FileFormat
{
    /// <summary>Pages, as they are printed.</summary>
    Pdf = 0,

    /// <summary>Words and nothing else, also a table of them.</summary>
    Text = 1,

    /// <summary>A document in Office Open XML.</summary>
    Docx = 2,

    /// <summary>Tables in Office Open XML.</summary>
    Xlsx = 3,

    /// <summary>Slides in Office Open XML.</summary>
    Pptx = 4,

    /// <summary>A document in OpenDocument.</summary>
    Odt = 5,

    /// <summary>Tables in OpenDocument.</summary>
    Ods = 6,

    /// <summary>Slides in OpenDocument.</summary>
    Odp = 7,

    /// <summary>An archive of ours.</summary>
    Archive = 8,
}
