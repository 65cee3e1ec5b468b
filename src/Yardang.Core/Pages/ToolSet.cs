namespace Yardang.Core.Pages;

/// <summary>What students make marks with. The numbers are on the wire.</summary>
[Flags]
public enum ToolSet
{
    /// <summary>Nothing.</summary>
    None = 0,

    /// <summary>Pen and felt tip.</summary>
    Pen = 1,

    /// <summary>Highlighter.</summary>
    Highlighter = 2,

    /// <summary>Text.</summary>
    Text = 4,

    /// <summary>Notes.</summary>
    Note = 8,

    /// <summary>Shapes and lines.</summary>
    Shape = 16,

    /// <summary>Pictures.</summary>
    Picture = 32,

    /// <summary>Stamps.</summary>
    Stamp = 64,

    /// <summary>Formulas.</summary>
    Formula = 128,

    /// <summary>What is said to marks.</summary>
    Answer = 256,
}
