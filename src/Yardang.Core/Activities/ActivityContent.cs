using System.Collections.Immutable;
using Yardang.Core.Marks;
using Yardang.Core.Pages;

namespace Yardang.Core.Activities;

/// <summary>All that a teacher designed: what an archive holds, and what is frozen when the activity is handed out.</summary>
/// <param name="Name">What the activity is called.</param>
/// <param name="Directions">What students are to do.</param>
/// <param name="Pages">In order; at least one.</param>
/// <param name="Marks">Printed and loose marks and the answer key, back to front.</param>
/// <param name="Unit">In which lengths are shown.</param>
public sealed record ActivityContent(Texts Name, Texts Directions, ImmutableArray<Page> Pages, ImmutableArray<Mark> Marks, LengthUnit Unit = LengthUnit.Centimetre)
{
    /// <summary>An activity with one empty page, as the workshop starts it.</summary>
    public static ActivityContent Blank(string language, string name) =>
        new(Texts.In(language, name), Texts.None, [new Page(1, Texts.None, PageSize.A4Wide, Paper.Plain)], []);
}
