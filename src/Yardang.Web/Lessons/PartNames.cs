using Microsoft.Extensions.Localization;
using Yardang.Core.Activities;

namespace Yardang.Web.Lessons;

/// <summary>What the parts of an activity are called: as the teacher named them, else by what they are.</summary>
public static class PartNames
{
    /// <summary>The name of a part for whoever reads this language.</summary>
    public static string Of(Part part, string language, IStringLocalizer<UiTexts> texts) =>
        part.Name?.For(language) is { Length: > 0 } named ? named : texts[$"Parts.{part.Kind}"].Value;
}
