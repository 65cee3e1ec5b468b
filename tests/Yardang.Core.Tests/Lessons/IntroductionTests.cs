using Yardang.Core.ClassLists;
using Yardang.Core.Lessons;

namespace Yardang.Core.Tests.Lessons;

/// <summary>Who somebody at the door is, by what their lesson asks for.</summary>
public class IntroductionTests
{
    private static readonly ClassEntry[] s_list = [new(7, "Amara Nwosu"), new(8, "Ben"), new(9, "")];

    [Theory]
    [InlineData("Amara Nwosu")]
    [InlineData("amara nwosu")]
    [InlineData("7")]
    public void By_name_the_list_knows_people_by_name_or_number(string typed) => Assert.Equal(7, Known(Introductions.Read(Introduction.Name, typed, null, s_list)).Number);

    [Fact]
    public void By_name_whoever_is_not_on_the_list_is_new()
    {
        Assert.Equal(new Introduced.Newcomer("Leif", null), Introductions.Read(Introduction.Name, " Leif ", null, s_list));
        Assert.Equal(new Introduced.Newcomer("12", null), Introductions.Read(Introduction.Name, "12", null, []));
    }

    [Fact]
    public void By_number_no_name_is_needed_and_none_is_kept()
    {
        Assert.Equal(8, Known(Introductions.Read(Introduction.Number, "Leif", " 8 ", s_list)).Number);
        Assert.Equal(new Introduced.Newcomer("12", 12), Introductions.Read(Introduction.Number, "Leif", "12", s_list));
    }

    [Theory]
    [InlineData(null)]
    [InlineData("")]
    [InlineData("seven")]
    [InlineData("0")]
    [InlineData("10000")]
    [InlineData("-7")]
    [InlineData("99999999999999999999")]
    public void A_number_is_one_from_1_to_9999(string? typed)
    {
        Assert.Equal(new Introduced.Unclear(IntroductionFault.NoNumber), Introductions.Read(Introduction.Number, null, typed, s_list));
        Assert.Equal(new Introduced.Unclear(IntroductionFault.NoNumber), Introductions.Read(Introduction.NumberAndName, "Ben", typed, s_list));
    }

    [Fact]
    public void By_both_a_classmates_number_is_of_no_use()
    {
        Assert.Equal(8, Known(Introductions.Read(Introduction.NumberAndName, "BEN", "8", s_list)).Number);
        Assert.Equal(new Introduced.Unclear(IntroductionFault.OtherName), Introductions.Read(Introduction.NumberAndName, "Ben", "7", s_list));
        Assert.Equal(9, Known(Introductions.Read(Introduction.NumberAndName, "Maya", "9", s_list)).Number);
        Assert.Equal(new Introduced.Newcomer("Leif", 12), Introductions.Read(Introduction.NumberAndName, "Leif", "12", s_list));
    }

    [Fact]
    public void Where_first_names_are_shown_the_whole_name_means_the_same_person() =>
        Assert.Equal(7, Known(Introductions.Read(Introduction.NumberAndName, "Amara Nwosu", "7", [new(7, "Amara")])).Number);

    [Theory]
    [InlineData(Introduction.Name)]
    [InlineData(Introduction.NumberAndName)]
    public void A_name_is_not_blank_and_not_very_long(Introduction by)
    {
        Assert.Equal(new Introduced.Unclear(IntroductionFault.NoName), Introductions.Read(by, "  ", "7", s_list));
        Assert.Equal(new Introduced.Unclear(IntroductionFault.LongName), Introductions.Read(by, new string('m', 90), "7", s_list));
    }

    private static ClassEntry Known(Introduced introduced) => Assert.IsType<Introduced.Known>(introduced).Who;
}
