using System.Collections.Immutable;

namespace Yardang.Headless.SimulatedClass;

/// <summary>Class 7 Amber of Ostlebrook School: all invented.</summary>
public static class Roster
{
    /// <summary>The 24 students, in the order in which they arrive.</summary>
    public static readonly ImmutableArray<string> Names =
    [
        "Amara Nwosu", "Jonas Lindqvist", "Mei-Lin Hartono", "Tariq Bensalem", "Oona Fairweather", "Dario Castellan",
        "Yuki Tamashiro", "Priya Ramanath", "Leif Sorrento", "Zofia Brzask", "Kwame Darkobi", "Elif Yaldiz",
        "Rowan Ashdene", "Noor Al-Basri", "Mateo Rivenar", "Ines Carvalhal", "Callum Braemore", "Saanvi Kothari",
        "Bao Trinhdan", "Freya Holmquist", "Idris Okonjo", "Lucia Ferrandez", "Teodor Vasilesk", "Hana Morikawa",
    ];
}
