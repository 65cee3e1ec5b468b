using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Yardang.Data.School.Migrations
{
    /// <inheritdoc />
    public partial class Parts : Migration
    {
        // As they were when this was written.
        private const int WallRoom = 4;
        private const int OfGroup = 1;

        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<int>(
                name: "GroupNumber",
                table: "Participants",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<string>(
                name: "Parts",
                table: "Lessons",
                type: "TEXT",
                nullable: false,
                defaultValue: "[]");

            migrationBuilder.AddColumn<int>(
                name: "CurrentPart",
                table: "Lessons",
                type: "INTEGER",
                nullable: false,
                defaultValue: 1);

            // Lessons of before have one part, of pages or a wall; and whoever worked on the board of a group was in it.
            migrationBuilder.Sql($$"""UPDATE Lessons SET Parts = '[{"Number":1,"Kind":' || CASE WorkKind WHEN {{WallRoom}} THEN 2 ELSE 1 END || ',"Way":' || Way || ',"IsOpen":true}]'""");
            migrationBuilder.Sql($"UPDATE Participants SET GroupNumber = COALESCE((SELECT Number FROM Rooms WHERE Rooms.Id = BoardId AND Whose = {OfGroup}), 0)");

            migrationBuilder.DropIndex(
                name: "IX_Participants_BoardId",
                table: "Participants");

            migrationBuilder.DropColumn(
                name: "BoardId",
                table: "Participants");

            migrationBuilder.DropColumn(
                name: "TogetherId",
                table: "Lessons");

            migrationBuilder.DropColumn(
                name: "Way",
                table: "Lessons");

            migrationBuilder.DropColumn(
                name: "WorkKind",
                table: "Lessons");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "GroupNumber",
                table: "Participants");

            migrationBuilder.DropColumn(
                name: "Parts",
                table: "Lessons");

            migrationBuilder.DropColumn(
                name: "CurrentPart",
                table: "Lessons");

            migrationBuilder.AddColumn<int>(
                name: "WorkKind",
                table: "Lessons",
                type: "INTEGER",
                nullable: false,
                defaultValue: 3);

            migrationBuilder.AddColumn<Guid>(
                name: "BoardId",
                table: "Participants",
                type: "TEXT",
                nullable: false,
                defaultValue: new Guid("00000000-0000-0000-0000-000000000000"));

            migrationBuilder.AddColumn<Guid>(
                name: "TogetherId",
                table: "Lessons",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "Way",
                table: "Lessons",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.CreateIndex(
                name: "IX_Participants_BoardId",
                table: "Participants",
                column: "BoardId");
        }
    }
}
