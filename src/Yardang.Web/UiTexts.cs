namespace Yardang.Web;

/// <summary>Names the resource files with all texts of the interface: <c>Resources/UiTexts.resx</c>.</summary>
public sealed class UiTexts;
