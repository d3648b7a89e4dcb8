# frozen_string_literal: true

module SteadyMove
  module Wire
    module Epp
      # The message at the head of the queue (RFC 5730 §2.9.2.3). unread: why its data, or its date,
      # could not be read; nil where they could.
      Queue = Struct.new(:waiting, :id, :at, :text, :unread, keyword_init: true)
    end
  end
end
