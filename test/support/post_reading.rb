# frozen_string_literal: true

# Messages made of a subject and a text, read as the mailbox of reg.test's customer would read them.
module PostReading
  SENT = Time.utc(2027, 3, 1, 10)
  HELD = %w[ferry.example isles.example].freeze

  def letter(subject, text, sender: "notices@reg.test", senders: [sender], **more)
    SteadyMove::Core::Post::Message.new(
      sender: sender,
      senders: senders,
      reply_to: [],
      results: [],
      subject: subject,
      text: text,
      marked: text,
      further: "",
      at: SENT,
      **more
    )
  end

  def read(subject, text = "", held: HELD, domains: ["reg.test"], ids: [], trusting: false, **more)
    SteadyMove::Core::Post::Reader.read(
      letter(subject, text, **more),
      held: held.map { |n| domain(n) },
      known: domains,
      ids: ids,
      trusting: trusting
    )
  end

  def reasons(reading) = reading.because.map { |b| said(b) }.join(" ")
end
