# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/post_reading"

# Deadlines in the forms in which people write them; nil where a date is none for an answer.
class PostDeadlinesTest < Minitest::Test
  include PostReading

  # text => deadline (RFC 3339), a part of what is assumed
  DEADLINES = [
    ["by 2027-03-06 10:00:00 UTC", "2027-03-06T10:00:00Z", nil],
    ["until 2027-03-06T10:00Z", "2027-03-06T10:00:00Z", nil],
    ["before 2027-03-06 10:00 +02:00", "2027-03-06T08:00:00Z", nil],
    ["by Saturday, 6 March 2027, 10:00 UTC", "2027-03-06T10:00:00Z", nil],
    ["by March 6th, 2027 at 9:30 GMT", "2027-03-06T09:30:00Z", nil],
    ["no later than 6 Mar 2027", "2027-03-06T00:00:00Z", "start is assumed"],
    ["by 2027-03-06 10:00", "2027-03-06T10:00:00Z", "UTC is assumed"],
    ["within 5 days", "2027-03-06T10:00:00Z", "when the message was sent"],
    ["within the next 48 hours", "2027-03-03T10:00:00Z", "when the message was sent"],
    ["within five calendar days", "2027-03-06T10:00:00Z", nil],
    ["by 2027-02-30", nil, nil],
    ["soon", nil, nil],
    ["on 2027-03-06", nil, nil]
  ].freeze

  def test_deadlines_and_what_is_assumed
    DEADLINES.each do |text, at, says|
      found = read("Please approve the transfer of ferry.example", "Answer #{text}.")
      assert_equal [at && utc(at)], [found.deadline], text
      assert_includes reasons(found), says, text if says
    end
  end

  # sentence => deadline
  SENTENCES = {
    "Please approve by 5 pm CET on 6 March 2027." => "2027-03-06T16:00:00Z",
    "Please approve by 17:00 (CET) on Saturday, 6 March 2027." => "2027-03-06T16:00:00Z",
    "Please respond before noon on March 6, 2027 (UTC)." => "2027-03-06T12:00:00Z",
    "Please respond by 06/03/2027." => "2027-03-06T00:00:00Z",
    "Please respond by 30/03/2027." => "2027-03-30T00:00:00Z",
    "Please respond by 03/30/2027 9.00 UTC." => "2027-03-30T09:00:00Z",
    "Answer no later than 03/04/2027." => "2027-03-04T00:00:00Z",
    "Please approve by 1800Z on 6 March 2027." => "2027-03-06T18:00:00Z",
    "Deadline: 2027-03-06 24:00 UTC" => "2027-03-07T00:00:00Z",
    "Deadline: 6 March 2027, midnight UTC" => "2027-03-06T00:00:00Z",
    "Please answer within five (5) calendar days." => "2027-03-06T10:00:00Z",
    "Please answer within 120 hours." => "2027-03-06T10:00:00Z",
    "You have 5 business days to object." => "2027-03-08T10:00:00Z",
    "You must respond within 2 weeks." => "2027-03-15T10:00:00Z",
    "Please confirm by Friday." => "2027-03-05T00:00:00Z",
    "Please confirm by Friday, 5 pm UTC." => "2027-03-05T17:00:00Z",
    "Please confirm until the 6th of March 2027 at 10:00 EST." => "2027-03-06T15:00:00Z",
    "Please confirm by 6 March 2027 10:00 PST." => "2027-03-06T18:00:00Z",
    "Please confirm by 6 March 2027 10:00 UTC+2." => "2027-03-06T08:00:00Z",
    "Please confirm by 6 March 2027 10:00 GMT-05:00." => "2027-03-06T15:00:00Z",
    "Please confirm by 6 March 2027 10:00 IST." => "2027-03-06T04:30:00Z",
    "Your name is paid until 1 May 2027. Please approve by 6 March 2027." => "2027-03-06T00:00:00Z",
    "ferry.example is registered until 1 May 2027." => nil,
    "The authorization code is valid until 6 March 2027. Please approve the transfer." => nil,
    "The name expires on 1 May 2027. Please approve the transfer." => nil,
    "This link expires on 6 March 2027 at 10:00 UTC." => "2027-03-06T10:00:00Z",
    "If we don't hear from you by 6 March 2027, the transfer goes ahead." => "2027-03-06T00:00:00Z",
    "The transfer will take place on 6 March 2027 unless you object." => "2027-03-06T00:00:00Z",
    "The transfer will be completed within 5 to 7 days." => nil,
    "If you do nothing, the transfer will be completed within 5 days." => "2027-03-06T10:00:00Z",
    "Your answer was due by 1 February 2027." => nil,
    "Please approve by March 6." => "2027-03-06T00:00:00Z",
    "Please approve by 6.3.2027, 10:00 Uhr" => "2027-03-06T10:00:00Z",
    "Bitte bestätigen Sie den Transfer bis zum 6. März 2027, 10:00 Uhr MEZ." =>
      "2027-03-06T09:00:00Z",
    "Bitte genehmigen Sie den Transfer innerhalb von 5 Tagen." => "2027-03-06T10:00:00Z",
    "Veuillez approuver le transfert avant le 6 mars 2027 à 10h00 UTC." => "2027-03-06T10:00:00Z",
    "Veuillez approuver le transfert dans les 5 jours." => "2027-03-06T10:00:00Z",
    "Por favor, apruebe la transferencia antes del 6 de marzo de 2027." => "2027-03-06T00:00:00Z",
    "Si prega di approvare il trasferimento entro il 6 marzo 2027 alle ore 10:00 UTC." =>
      "2027-03-06T10:00:00Z",
    "Si prega di approvare il trasferimento del dominio entro 5 giorni." => "2027-03-06T10:00:00Z",
    "Gelieve de verhuizing uiterlijk op 6 maart 2027 goed te keuren." => "2027-03-06T00:00:00Z",
    "Por favor, aprove a transferência do domínio até 6 de março de 2027." =>
      "2027-03-06T00:00:00Z",
    "Prosimy o potwierdzenie transferu domeny do 6 marca 2027 r. godz. 10:00 UTC." =>
      "2027-03-06T10:00:00Z",
    "Prosimy o potwierdzenie transferu domeny w ciągu 5 dni." => "2027-03-06T10:00:00Z",
    "2027年3月6日までに移管を承認してください。" => "2027-03-06T00:00:00Z",
    "2027年3月6日10時までに移管を承認してください。" => "2027-03-06T10:00:00Z",
    "5日以内に移管を承認してください。" => "2027-03-06T10:00:00Z",
    "Please reply by tomorrow noon UTC." => "2027-03-02T12:00:00Z",
    "Please reply by the end of 6 March 2027." => "2027-03-07T00:00:00Z",
    "Please approve by 6 Mar 2027 23:59 UTC" => "2027-03-06T23:59:00Z",
    "Please approve by Sat, 06 Mar 2027 10:00:00 +0100" => "2027-03-06T09:00:00Z",
    "Please approve by 6 March 2027 at 10 a.m. Europe/Berlin." => "2027-03-06T09:00:00Z",
    "Approve before 2027/03/06 10:00Z." => "2027-03-06T10:00:00Z",
    "Time limit for your answer: 06-Mar-2027 10:00 UTC" => "2027-03-06T10:00:00Z",
    "The request was received on 1 March 2027. Please respond by 6 March 2027." =>
      "2027-03-06T00:00:00Z",
    "It lapses on 6 March 2027 if nobody answers." => "2027-03-06T00:00:00Z",
    "Please answer by 30 February 2027." => nil,
    "Please approve within  days." => nil,
    "Your reply is needed by 10:00 UTC, 6 March 2027" => "2027-03-06T10:00:00Z",
    "Please approve at the latest on 6 March 2027" => "2027-03-06T00:00:00Z",
    "6 March 2027 is the last day to object." => "2027-03-06T00:00:00Z",
    "Act before 12 midnight on 6 March 2027" => "2027-03-06T00:00:00Z",
    "Please confirm by 12 noon, 6 March 2027" => "2027-03-06T12:00:00Z",
    "Please confirm by 12:30 a.m. on 6 March 2027 UTC" => "2027-03-06T00:30:00Z",
    "Please answer within 5 (five) days." => "2027-03-06T10:00:00Z",
    "Please answer within 5 (five) calendar days." => "2027-03-06T10:00:00Z",
    "Please approve by 20270306T180000Z." => "2027-03-06T18:00:00Z",
    "Please approve by 20270306T1800Z." => "2027-03-06T18:00:00Z",
    "Please approve by 20270306." => "2027-03-06T00:00:00Z"
  }.freeze

  def test_whole_sentences
    SENTENCES.each do |text, at|
      assert_equal [at && utc(at)],
                   [read("Please approve the transfer of ferry.example", text).deadline],
                   text
    end
  end

  # [what stands there, the Date field's offset in hours] => deadline
  ZONES = {
    ["6 March 2027 18:00", 9] => "2027-03-06T09:00:00Z",
    ["6 March 2027 18:00", -5] => "2027-03-06T18:00:00Z",
    ["6 March 2027 18:00", 0] => "2027-03-06T18:00:00Z",
    ["6 March 2027 18:00 UTC", 9] => "2027-03-06T18:00:00Z",
    ["6 March 2027 18:00 CET", 9] => "2027-03-06T17:00:00Z",
    ["6 March 2027", 9] => "2027-03-05T15:00:00Z",
    ["6 March 2027", -5] => "2027-03-06T00:00:00Z",
    ["6 March 2027 18:00 local time", 9] => "2027-03-06T04:00:00Z",
    ["6 March 2027 18:00 (local time)", -5] => "2027-03-06T04:00:00Z",
    ["6 March 2027, 18:00 Berlin time", 1] => "2027-03-06T04:00:00Z",
    ["6 March 2027 18:00 (Amsterdam)", 1] => "2027-03-06T04:00:00Z",
    ["18:00 New York time on 6 March 2027", 1] => "2027-03-06T04:00:00Z"
  }.freeze

  def test_a_time_without_a_zone_is_the_earlier_reading
    ZONES.each do |(text, hours), at|
      found =
        read(
          "Please approve the transfer of ferry.example",
          "Answer by #{text}.",
          offset: hours * 3600
        )
      assert_equal utc(at), found.deadline, "#{text}, #{hours}"
      assert_includes reasons(found), "is not known" if text.match?(/time|\(/)
    end
  end

  # sentence => what is said of the earlier reading
  AMBIGUOUS = {
    "Answer by 03/04/2027." => "either order",
    "Answer by 6 March 2027 10:00 IST." => "several meanings",
    "Answer by 6 March 2027 10:00 QQT." => "is not known",
    "Answer by 6 March 2027, midnight." => "begins a day",
    "Answer by 6 March." => "No year",
    "Answer by Friday." => "counts from the day"
  }.freeze

  def test_what_is_ambiguous_is_said
    AMBIGUOUS.each do |text, says|
      assert_includes reasons(read("Approve the transfer of ferry.example", text)), says
    end
  end
end
