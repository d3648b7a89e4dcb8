# frozen_string_literal: true

module Practice
  # A registry's or registrar's no, with its EPP result code (RFC 5730 §3).
  class Refusal < StandardError
    attr_reader :code

    MESSAGES = {
      2000 => "Unknown command",
      2001 => "Command syntax error",
      2002 => "Command use error",
      2003 => "Required parameter missing",
      2005 => "Parameter value syntax error",
      2101 => "Unimplemented command",
      2106 => "Object is not eligible for transfer",
      2200 => "Authentication error",
      2201 => "Authorization error",
      2202 => "Invalid authorization information",
      2300 => "Object pending transfer",
      2301 => "Object not pending transfer",
      2303 => "Object does not exist",
      2304 => "Object status prohibits operation",
      2400 => "Command failed"
    }.freeze

    def initialize(code, message = MESSAGES.fetch(code, "Refused"))
      @code = code
      super(message)
    end
  end
end
