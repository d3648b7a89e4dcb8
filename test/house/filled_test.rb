# frozen_string_literal: true

require_relative "../test_helper"

# A button filled with the colour of acts sets off something outside the desk: an order, a letter, a
# change at a registrar or a host, or a person's word that one was made, on which the desk goes on.
# Going somewhere and keeping something are quiet; what takes something away has its own colour.
class FilledTest < Minitest::Test
  UI = File.join(SteadyMove::ROOT, "ui", "src")
  BUTTON = %r{<Button\b.*?</Button\s*>}m
  # file => how many of its buttons are filled, and what each sets off
  FILLED = {
    "parts/ForGood.svelte" => [2, "what can't be taken back, asked about once more"],
    "parts/Stray.svelte" => [1, "the lock is set and the code changed at the registrar"],
    "views/arrive/Agreement.svelte" => [1, "a client's yes, on which contacts become public"],
    "views/batches/BatchSheet.svelte" => [3, "a batch is approved, started, or goes on"],
    "views/hands/Acts.svelte" => [1, "moves go on, on a person's word that it was done outside"],
    "views/hands/ConsentForm.svelte" => [1, "orders go out that only lacked the consent"],
    "views/hands/Letter.svelte" => [1, "a letter is sent"],
    "views/hands/Orders.svelte" => [1, "moves go on, on a person's word that they are ordered"],
    "views/hands/Visit.svelte" => [1, "a move goes on, on a person's word"],
    "views/moves/MoveSheet.svelte" => [1, "a new code is asked for"],
    "views/names/Contacts.svelte" => [1, "a contact is changed at the registry"],
    "views/names/Plan.svelte" => [1, "a move starts"],
    "views/names/Prepare.svelte" => [1, "a preparation starts"],
    "views/names/TrayActs.svelte" => [1, "mailboxes get a test email"],
    "views/records/HandoverPlan.svelte" => [1, "the records move"],
    "views/records/DnsMove.svelte" => [1, "the records of several names move"]
  }.freeze

  def filled
    Dir[File.join(UI, "**", "*.svelte")].to_h do |file|
      buttons = File.read(file).scan(BUTTON).grep_v(/color="(alternative|light|red)"/)
      [file.delete_prefix("#{UI}/"), buttons.map { |b| b.gsub(/\s+/, " ") }]
    end
  end

  def test_only_what_acts_outside_is_filled
    found = filled.reject { |_, buttons| buttons.empty? }
    assert_equal FILLED.transform_values(&:first), found.transform_values(&:size), found.inspect
  end

  def test_going_somewhere_is_never_filled
    links = filled.values.flatten.grep(/ href=/)
    assert_empty links
  end
end
